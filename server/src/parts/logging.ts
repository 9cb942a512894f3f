/** What the database was asked with may be anybody's name or address, and is nobody's business in a log. */
const parametersOfQuery = /\nparams: [\s\S]*?(?=\n {4}at |$)/g

/** An error as it goes into the log: where it came from and why, without what the workshop keeps. */
export function asLogged(error: unknown): object {
  if (!(error instanceof Error)) return { fault: typeof error }
  const { name, message, stack = '', cause } = error
  return {
    name,
    message: message.replaceAll(parametersOfQuery, ''),
    stack: stack.replaceAll(parametersOfQuery, ''),
    ...(cause === undefined ? {} : { cause: asLogged(cause) }),
  }
}
