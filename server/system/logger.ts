import { pino, type Logger } from 'pino'

/** Structured log lines on standard output. Whatever could be a secret is replaced before it is written. */
export function createLogger(level: string): Logger {
  return pino({
    level,
    base: null,
    redact: {
      paths: [
        'token',
        '*.token',
        'secret',
        '*.secret',
        'password',
        '*.password',
        'cookie',
        '*.cookie',
        'authorization',
        '*.authorization',
      ],
      censor: '(hidden)',
    },
  })
}
