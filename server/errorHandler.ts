import { send, setResponseHeaders, setResponseStatus, type H3Error, type H3Event } from 'h3'
import type { Problem } from '../contract/problem.ts'
import { TooBusyError } from './ingest/groupCommit.ts'
import { problem } from './system/problemError.ts'

/** Every error of the interface for programs leaves as an RFC 9457 problem document; no stack trace leaves at all. */
export default async function errorHandler(error: H3Error, event: H3Event): Promise<void> {
  const body = toProblem(error)
  setResponseStatus(event, body.status, body.title)
  setResponseHeaders(event, {
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  })
  if (body.status === 503) setResponseHeaders(event, { 'retry-after': 2 })
  // What is left of a refused upload is not read; the connection cannot be used again.
  if (body.status === 413) setResponseHeaders(event, { connection: 'close' })
  await send(event, JSON.stringify(body))
}

function toProblem(error: H3Error): Problem {
  const carried = error.data as Partial<Problem> | undefined
  if (carried?.title && carried.detail && typeof carried.status === 'number') return carried as Problem
  if (error.cause instanceof TooBusyError)
    return problem(
      503,
      'More is coming in than can be written safely. Nothing was accepted; send it again in a moment.',
    )
  if (error.statusCode === 404) return problem(404, 'There is nothing at this address.')
  if (error.statusCode === 405) return problem(405, 'This address does not take that method.')
  if (error.statusCode >= 400 && error.statusCode < 500)
    return problem(error.statusCode, error.statusMessage ?? 'The request could not be taken.')
  process.stderr.write(
    `${JSON.stringify({
      level: 50,
      msg: 'unexpected error',
      message: loggable(error.message),
      cause: causesOf(error),
      stack: error.stack
        ?.split('\n')
        .filter((line) => /^\s+at /.test(line))
        .slice(0, 12),
    })}\n`,
  )
  return problem(
    500,
    'Something unexpected broke; it was written to the log. What was acknowledged before is safe. Try again.',
  )
}

/** What a failed query was asked with stands in its message, and is nobody's business in a log. */
const loggable = (message: string) => (message.split(/\nparams:/)[0] ?? '').slice(0, 500)

/** Why it broke, from the outside in: a database says it in the last. */
function causesOf(error: Error): string[] {
  const causes: string[] = []
  for (let cause = error.cause; cause instanceof Error && causes.length < 4; cause = cause.cause)
    causes.push(loggable(cause.message))
  return causes
}
