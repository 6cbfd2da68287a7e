import { getHeader, type H3Event } from 'h3'
import type { z } from 'zod'
import { issuesOf } from '../../contract/issuesOf.ts'
import { parseBounded } from '../../core/json/jsonBounds.ts'
import { findUnstorable } from '../../core/json/unstorable.ts'
import { problemError } from '../system/problemError.ts'
import { readBounded } from './readBounded.ts'

const defaultMaxBytes = 64 * 1024

/** Parses text as JSON, of a shape that is bounded. @throws 400 that says where it stops being JSON, or what is too much. */
export function parseJson(text: string): unknown {
  const parsed = parseBounded(text)
  if (!parsed.ok) throw problemError(400, `The body is not JSON that is taken here: ${parsed.error.words}`)
  return parsed.value
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
  const body = parseJson(await readBounded(event, maxBytes))
  const unstorable = findUnstorable(body)
  if (unstorable)
    throw problemError(422, 'There are characters in it that cannot be kept: NUL, or half of a pair.', [
      { path: unstorable.join('.'), message: 'has characters that are none' },
    ])
  const checked = schema.safeParse(body)
  if (!checked.success)
    throw problemError(422, checked.error.issues[0]?.message ?? 'The body does not fit.', issuesOf(checked.error))
  return checked.data
}
