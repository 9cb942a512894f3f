const plural = new Intl.PluralRules('en')

/** A count and what is counted: "1 bar", "12 bars". @param many where it is not the one with an s: "loaves" */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${plural.select(count) === 'one' ? one : many}`
