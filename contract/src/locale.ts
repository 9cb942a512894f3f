import { formatQuantity } from '@vendange/core/units'
import { setLocale } from 'yup'

// Plain words for whatever has no message of its own.
setLocale({
  mixed: {
    default: 'This cannot be right.',
    required: 'Please fill this in.',
    notNull: 'Please fill this in.',
    oneOf: 'Choose one of: ${values}.',
    notType: ({ type }) => (type === 'number' ? 'This must be a number.' : `This must be a ${type}.`),
  },
  string: {
    min: 'At least ${min} characters, please.',
    max: 'At most ${max} characters, please.',
    matches: 'This is not written as expected.',
  },
  number: {
    min: ({ min }) => `This must be ${formatQuantity('number', Number(min))} or more.`,
    max: ({ max }) => `This must be ${formatQuantity('number', Number(max))} or less.`,
    integer: 'This must be a whole number.',
  },
  array: { min: 'At least ${min} of these.', max: 'At most ${max} of these.' },
  object: { noUnknown: 'Unknown field: ${unknown}.' },
})
