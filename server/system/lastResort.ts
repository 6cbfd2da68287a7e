import { loggableError } from './loggable.ts'

/** Writes down what nobody caught: what broke and where, never what it was asked. The process stays. */
export function tellLog(error: unknown, where: string): void {
  process.stderr.write(
    `${JSON.stringify({ level: 50, msg: 'nobody caught an error', where, err: loggableError(error) })}\n`,
  )
}
