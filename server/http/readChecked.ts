import { getHeader, type H3Event } from 'h3'
import type { z } from 'zod'
import { issuesOf, problemError } from '../system/problemError.ts'
import { readBounded } from './readBounded.ts'

const defaultMaxBytes = 64 * 1024

/** Parses text as JSON. @throws 400 that says where it stops being JSON. */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    throw problemError(400, `The body is not JSON: ${error instanceof Error ? error.message.slice(0, 120) : ''}`)
  }
}

/**
 * Reads a JSON body and checks it.
 * @throws 400, 413, 415 or 422 as a problem document with the paths of what does not fit.
 */
export async function readChecked<S extends z.ZodType>(
  event: H3Event,
  schema: S,
  maxBytes = defaultMaxBytes,
): Promise<z.infer<S>> {
  const type = getHeader(event, 'content-type') ?? ''
  // A form of another site can send text/plain without asking first, but never JSON.
  if (!/^application\/json\b/.test(type)) throw problemError(415, 'Send JSON with "Content-Type: application/json".')
  const checked = schema.safeParse(parseJson(await readBounded(event, maxBytes)))
  if (!checked.success)
    throw problemError(422, checked.error.issues[0]?.message ?? 'The body does not fit.', issuesOf(checked.error))
  return checked.data
}
