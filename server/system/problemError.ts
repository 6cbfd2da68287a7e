import { createError, type H3Error } from 'h3'
import type { Problem } from '../../contract/problem.ts'

const titles: Record<number, string> = {
  400: 'The request is malformed',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  405: 'Method not allowed',
  409: 'Somebody else changed this',
  413: 'Too large',
  416: 'No such bytes',
  415: 'Unsupported type',
  421: 'Meant for another server',
  422: 'Not understood',
  429: 'Too many tries',
  500: 'Something broke here',
  503: 'Not ready',
  507: 'No room left',
}

/** Builds a problem document. `detail` says what happened and what to do. */
export function problem(status: number, detail: string, issues?: Problem['issues']): Problem {
  return { type: 'about:blank', title: titles[status] ?? 'Error', status, detail, ...(issues ? { issues } : {}) }
}

/** An error that the error handler turns into exactly this problem document. */
export function problemError(status: number, detail: string, issues?: Problem['issues']): H3Error {
  return createError({
    statusCode: status,
    statusMessage: titles[status] ?? 'Error',
    data: problem(status, detail, issues),
  })
}
