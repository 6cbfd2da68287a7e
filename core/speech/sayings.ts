import type { Composition } from '../composition/schema.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { valuesIn } from '../score/valuesIn.ts'
import type { Voice } from '../score/parts/voice/schema.ts'
import { fillTemplate } from '../text/fillTemplate.ts'
import type { TemplateValues } from '../text/templateValue.ts'
import { plainText } from '../text/textPiece.ts'
import { secondsOf } from './secondsOf.ts'
import type { SayingKind, SpokenParts } from './spoken.ts'
import type { VoiceChoice } from './voiceChoice.ts'

/** Something that a voice part wants read, as it was written: nothing of it is cleaned. */
export interface Saying {
  of: SayingKind
  written: string
  /** Where in it the platform says that a word is a picture; UTF-16 units. */
  emotes: readonly { from: number; to: number }[]
  /** Null: the channel's voice. */
  voice: VoiceChoice | null
}

/** What a viewer wrote with an event: their message, or what a reward asked them for. */
export function viewerWords({
  data,
  kind,
}: Pick<CanonicalEvent, 'data' | 'kind'>): { text: string; emotes: readonly { from: number; to: number }[] } | null {
  if (data.message && data.message.text.trim() !== '')
    return { text: data.message.text, emotes: data.message.emotes ?? [] }
  const input = kind === 'redemption' && 'input' in data ? (data.input ?? '') : ''
  return input.trim() === '' ? null : { text: input, emotes: [] }
}

/** What one voice part wants read of an event, in the order in which it is said. @param values what its variables stand for */
function sayingsOf(part: Voice, event: CanonicalEvent, values: TemplateValues, locale: string): Saying[] {
  const sayings: Saying[] = []
  const line = plainText(fillTemplate(part.template, values, locale)).trim()
  if (line !== '') sayings.push({ of: 'line', written: line, emotes: [], voice: part.lineVoice })
  const words = part.readsMessage ? viewerWords(event) : null
  if (words) sayings.push({ of: 'message', written: words.text, emotes: words.emotes, voice: part.messageVoice })
  return sayings
}

/**
 * The voice parts of a composition that can be heard, each with what it wants read. Parts without a word are left out.
 */
export function voicesOf(
  { parts }: Pick<Composition, 'parts'>,
  event: CanonicalEvent,
  locale: string,
): { part: Voice; sayings: Saying[] }[] {
  const values = valuesIn({ parts }, event)
  return parts.flatMap((part) => {
    if (part.kind !== 'voice' || part.isMuted) return []
    const sayings = sayingsOf(part, event, values, locale)
    return sayings.length > 0 ? [{ part, sayings }] : []
  })
}

/** No voice reads longer than this: what the widest rules allow. */
const longestMs = 60_000

/**
 * How long each voice part of a composition speaks, pauses included. What was not asked for yet is estimated by its
 * letters.
 * @returns by part, in milliseconds; 0 where nothing is said
 */
export function spokenLengths(
  { parts }: Pick<Composition, 'parts'>,
  event: CanonicalEvent,
  locale: string,
  spoken: SpokenParts,
): Record<string, number> {
  const lengths: Record<string, number> = {}
  const values = valuesIn({ parts }, event)
  for (const part of parts) {
    if (part.kind !== 'voice') continue
    const known = spoken[part.id]
    const durations = known
      ? known.map(({ durationMs }) => durationMs)
      : sayingsOf(part, event, values, locale).map(({ written }) =>
          Math.min(longestMs, Math.round(secondsOf(written.slice(0, 500)) * 1000)),
        )
    const each = part.isMuted ? [] : durations
    lengths[part.id] = each.length === 0 ? 0 : each.reduce((sum, ms) => sum + ms, part.pauseMs * (each.length - 1))
  }
  return lengths
}
