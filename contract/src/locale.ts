import { setLocale } from 'yup'
import { said } from './said'

// What every rule says that says nothing of its own.
setLocale({
  mixed: {
    default: said('cannot_be_right'),
    required: said('missing_value'),
    notNull: said('missing_value'),
    oneOf: ({ values }) => said('not_one_of', { values: String(values) }),
    notType: ({ type }) => said('wrong_type', { type: String(type) }),
  },
  string: {
    min: ({ min }) => said('text_too_short', { least: Number(min) }),
    max: ({ max }) => said('text_too_long', { most: Number(max) }),
    matches: said('text_unexpected'),
  },
  number: {
    min: ({ min }) => said('number_too_small', { least: Number(min) }),
    max: ({ max }) => said('number_too_great', { most: Number(max) }),
    integer: said('not_whole'),
  },
  array: {
    min: ({ min }) => said('list_too_short', { least: Number(min) }),
    max: ({ max }) => said('list_too_long', { most: Number(max) }),
  },
  object: { noUnknown: ({ unknown }) => said('field_unknown', { field: String(unknown) }) },
})
