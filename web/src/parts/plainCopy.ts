/**
 * A copy without anything of the page in it, to be sent to a worker or kept beside what is typed. Only of what is kept as
 * JSON anyway; `structuredClone` refuses what the page watches.
 */
export const plainCopy = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value
