/** What a failed query was asked with stands in its message, and is nobody's business in a log. */
const withoutParameters = (message: string) => (message.split(/\nparams:/)[0] ?? '').slice(0, 500)

/** Addresses of sources and recordings are secrets. */
const secrets = /\b(?:src[0-9a-z]{32}|whsec_[\w+/=-]{8,}|Bearer\s+\S+)/g

/** Text without what nobody but its owner may read. */
export function withoutSecrets(text: string): string {
  return text.replaceAll(secrets, '(hidden)')
}

/** An error as a log may keep it: what broke, why, and where; never with what it was asked. */
export interface LoggableError {
  message: string
  code?: string
  causes: string[]
  stack: string[]
}

const causesMost = 4
const stackLines = 12

export function loggableError(error: unknown): LoggableError {
  if (!(error instanceof Error)) return { message: withoutSecrets(String(error).slice(0, 200)), causes: [], stack: [] }
  const causes: string[] = []
  let code = codeOf(error)
  // From the outside in: a database says why in the last.
  for (let cause = error.cause; cause instanceof Error && causes.length < causesMost; cause = cause.cause) {
    causes.push(withoutSecrets(withoutParameters(cause.message)))
    code ??= codeOf(cause)
  }
  return {
    message: withoutSecrets(withoutParameters(error.message)),
    ...(code === undefined ? {} : { code }),
    causes,
    stack: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .slice(0, stackLines)
      .map(withoutSecrets),
  }
}

function codeOf(error: Error): string | undefined {
  const { code } = error as { code?: unknown }
  return typeof code === 'string' ? code : undefined
}
