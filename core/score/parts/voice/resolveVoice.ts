import type { ResolvedBase } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import { soundGainDb } from '../../../settle/soundGain.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SpokenWord, Utterance } from '../../../speech/spoken.ts'
import type { Voice } from './schema.ts'

/** One thing that is said. Times on the score's clock. */
export interface ResolvedUtterance extends Pick<Utterance, 'of' | 'text' | 'url'> {
  startMs: number
  endMs: number
  gainDb: number
  /** It is cut off by the end of its clip, and goes down so long before. */
  fadeOutMs: number
  words: SpokenWord[]
}

export interface ResolvedVoice extends ResolvedBase {
  kind: 'voice'
  utterances: ResolvedUtterance[]
  duckDb: number
}

/** A voice that is cut off goes down over this long. */
const cutFadeMs = 200

/**
 * Settles a voice; null for one that says nothing: muted, without words, or not asked yet. Each thing that it says is
 * levelled like any other sound.
 */
export function resolveVoice(part: Voice, times: SolvedClip, { look, spoken }: PartContext): ResolvedVoice | null {
  const said = spoken[part.id] ?? []
  if (part.isMuted || said.length === 0) return null
  const utterances: ResolvedUtterance[] = []
  let atMs = times.startMs
  for (const { of, text, url, durationMs, level, words } of said) {
    const endMs = Math.min(atMs + durationMs, times.endMs)
    if (endMs > atMs)
      utterances.push({
        of,
        text,
        url,
        startMs: atMs,
        endMs,
        gainDb: soundGainDb(level, part.trimDb, look),
        fadeOutMs: endMs < atMs + durationMs ? Math.min(cutFadeMs, endMs - atMs) : 0,
        words,
      })
    atMs += durationMs + part.pauseMs
  }
  return utterances.length === 0
    ? null
    : { kind: 'voice', id: part.id, startMs: times.startMs, endMs: times.endMs, utterances, duckDb: part.duckDb }
}
