import { pino, type Logger, type LoggerOptions } from 'pino'
import { loggableError } from './loggable.ts'

const hidden = ['token', 'secret', 'password', 'cookie', 'authorization']

export function loggerOptions(level: string): LoggerOptions {
  return {
    level,
    base: null,
    hooks: {
      logMethod(given, log) {
        const [first, ...rest] = given as unknown as [unknown, ...string[]]
        // An error by itself would be written down as its own message.
        if (first instanceof Error)
          log.apply(this, [{ err: first }, ...(rest.length > 0 ? rest : ['it broke'])] as never)
        else log.apply(this, given)
      },
    },
    serializers: { err: loggableError, error: loggableError },
    redact: { paths: hidden.flatMap((name) => [name, `*.${name}`]), censor: '(hidden)' },
  }
}

/** Structured log lines on standard output. Whatever could be a secret, or a viewer's words, is taken out before. */
export function createLogger(level: string): Logger {
  return pino(loggerOptions(level))
}
