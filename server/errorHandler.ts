import { send, setResponseHeaders, setResponseStatus, type H3Error, type H3Event } from 'h3'
import type { Problem } from '../contract/problem.ts'
import { TooBusyError } from './ingest/groupCommit.ts'
import { isDataFault, isDiskFull, isTransient } from './db/trouble.ts'
import { loggableError } from './system/loggable.ts'
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
  if (body.status === 503 || body.status === 507) setResponseHeaders(event, { 'retry-after': 2 })
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
  if (isDiskFull(error.cause))
    return problem(
      507,
      'There is no room left on the server’s disk. Nothing of this was written; it works again when there is room.',
    )
  if (isDataFault(error.cause))
    return problem(422, 'There is a value in it that cannot be kept. Nothing of it was written.')
  if (isTransient(error.cause))
    return problem(
      503,
      'The database does not answer at present. Nothing is lost that was acknowledged; send this again in a moment.',
    )
  if (error.statusCode === 404) return problem(404, 'There is nothing at this address.')
  if (error.statusCode === 405) return problem(405, 'This address does not take that method.')
  if (error.statusCode >= 400 && error.statusCode < 500)
    return problem(error.statusCode, error.statusMessage ?? 'The request could not be taken.')
  process.stderr.write(`${JSON.stringify({ level: 50, msg: 'unexpected error', err: loggableError(error) })}\n`)
  return problem(
    500,
    'Something unexpected broke; it was written to the log. What was acknowledged before is safe. Try again.',
  )
}
