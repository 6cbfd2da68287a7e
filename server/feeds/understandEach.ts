import * as z from 'zod'
import { isDateOfEvents, noDateOfEvents } from '../../core/events/eventDates.ts'
import { err, ok, type Result } from '../../core/result.ts'
import type { Removal, Translation } from './adapter.ts'

/** An event, what was taken away, or how many watch. */
export type Understood = Translation['events'][number] | { removal: Removal } | { watching: number }

const nameMax = 500
const wordsMax = 2000

/** A viewer with a name of a length that is kept. */
export function viewerOf(id: string, name: string): { id: string; name: string } {
  return { id, name: name.slice(0, nameMax) }
}

/** What somebody wrote, as a message of a length that is kept; nothing for nothing. */
export function messageOf(words: string | undefined | null): { message?: { text: string } } {
  return words ? { message: { text: words.slice(0, wordsMax) } } : {}
}

/** What the viewer chose among several, as the platform sends it back. */
export const pickedField = z.string().max(60).optional()

/** How many watch a broadcast. */
export const watchingField = z.int().min(0).max(100_000_000)

/** A picture's address, where it is one; anything else is as good as none. */
export const portraitField = z
  .url({ protocol: /^https?$/ })
  .max(2000)
  .optional()
  .catch(undefined)

/** The same with what the viewer chose. */
export function withPicked(
  understood: Result<Understood, string>,
  picked: string | undefined,
): Result<Understood, string> {
  return understood.ok && picked && 'kind' in understood.value
    ? ok({ ...understood.value, data: { ...understood.value.data, choice: picked } })
    : understood
}

/** Pieces of a message, words and pictures in their order, as one text with the places of the pictures. */
export function messageOfPieces(pieces: readonly { text: string; picture?: string | undefined }[]): {
  message: { text: string; emotes: { from: number; to: number; url: string }[] }
} {
  let text = ''
  const emotes: { from: number; to: number; url: string }[] = []
  for (const piece of pieces) {
    const from = text.length
    if (from + piece.text.length > wordsMax) break
    text += piece.text
    if (piece.picture) emotes.push({ from, to: text.length, url: piece.picture })
  }
  return { message: { text, emotes } }
}

/**
 * Understands each thing in a delivery for itself: what one of them gets wrong is named and kept, and the others are
 * taken.
 * @param where how the list is called in the payload, for naming what was not understood
 */
export function understandEach<N>(
  where: string,
  list: readonly unknown[],
  schema: z.ZodType<N>,
  understand: (one: N) => Result<Understood, string>,
): Translation {
  const translation: Translation = { events: [], removals: [], watching: null, rejected: [] }
  list.forEach((raw, index) => {
    const checked = schema.safeParse(raw)
    const understood = checked.success
      ? attempt(() => understand(checked.data))
      : err(checked.error.issues[0]?.message ?? 'not understood')
    const fault = understood.ok ? faultOf(understood.value) : understood.error
    if (understood.ok && fault === null) {
      if ('removal' in understood.value) translation.removals.push(understood.value.removal)
      else if ('watching' in understood.value) translation.watching = understood.value.watching
      else translation.events.push(understood.value)
    } else translation.rejected.push(`${where}.${index}: ${fault}`)
  })
  return translation
}

/** What is wrong with something that was understood; null where nothing is. */
function faultOf(understood: Understood): string | null {
  if (!('kind' in understood)) return null
  const { occurredAtMs, externalId } = understood
  if (!isDateOfEvents(occurredAtMs)) return `its time ${noDateOfEvents}`
  return externalId.length > 400 ? 'its id is too long' : null
}

/** Canonical checks and currency look-ups throw; for one thing among many that is an expected failure. */
function attempt(work: () => Result<Understood, string>): Result<Understood, string> {
  try {
    return work()
  } catch (error) {
    if (error instanceof z.ZodError)
      return err(error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '))
    if (error instanceof RangeError) return err(error.message)
    throw error
  }
}
