import type { Problem } from '../../contract/problem.ts'

/** A request that the server refused, with its own words for what happened and what to do. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }

  get status(): number {
    return this.problem.status
  }
}

/**
 * Asks the server. Bodies go and come as JSON.
 * @throws ProblemError when it refuses, or when it cannot be reached (status 0)
 */
export async function request<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  options: { keepalive?: boolean } = {},
): Promise<T> {
  let answer: Response
  try {
    answer = await fetch(path, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      ...options,
    })
  } catch {
    throw new ProblemError({
      type: 'about:blank',
      title: 'Not reached',
      status: 0,
      detail: 'The server cannot be reached. Your work is kept here and will be sent when it is back.',
    })
  }
  if (!answer.ok) throw new ProblemError(await readProblem(answer))
  const text = await answer.text()
  return (text ? JSON.parse(text) : null) as T
}

async function readProblem(answer: Response): Promise<Problem> {
  const fallback = {
    type: 'about:blank',
    title: 'Refused',
    status: answer.status,
    detail: `The server answered ${answer.status}.`,
  }
  return answer.json().then(
    (body: Partial<Problem>) =>
      typeof body.detail === 'string' ? { ...fallback, ...body, status: answer.status } : fallback,
    () => fallback,
  )
}

/** What to tell a person about something that failed. */
export function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something unexpected broke.'
}
