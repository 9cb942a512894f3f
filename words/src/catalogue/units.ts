/** What is wrong with a figure, a text or a day that was typed. */
export const unitWords = {
  quantity_unread:
    'Write {kind, select, mass {a mass} length {a length} volume {a volume} density {a density} rate {a rate} temperature {a temperature} share {a percentage} hours {a time} days {a number of days} count {a whole number} money {an amount} other {a number}} such as {example}.',
  unit_unknown:
    '“{unit}” is not a unit for {kind, select, mass {a mass} length {a length} volume {a volume} density {a density} rate {a rate} temperature {a temperature} share {a percentage} hours {a time} days {a number of days} count {a whole number} money {an amount} other {a number}} here. Write it such as {example}.',
  not_whole: 'This must be a whole number.',
  out_of_range: 'This must be from {least} to {most}.',
  at_line: 'Line {line}: {problem}',
} as const
