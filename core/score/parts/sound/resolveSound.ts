import type { ResolvedBase } from '../../resolvedBase.ts'
import type { SoundRound } from '../../soundRound.ts'
import { cutFadeMs } from '../../cutFade.ts'
import type { SolvedClip } from '../../solve.ts'
import { soundGainDb } from '../../../settle/soundGain.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { Sound } from './schema.ts'

export interface ResolvedSound extends ResolvedBase {
  kind: 'sound'
  mediaId: string
  gainDb: number
  /** Over how long it comes up and goes down, within its clip. */
  fadeInMs: number
  fadeOutMs: number
  /** It begins again until its clip ends. */
  repeats: boolean
  /** Of what repeats: how long a round is, with silence around its file; absent: as long as the file. */
  round?: SoundRound
}

/** Settles a sound; null for one that cannot be heard (muted, or without a file). */
export function resolveSound(part: Sound, times: SolvedClip, { look, media }: PartContext): ResolvedSound | null {
  if (part.mediaId === null || part.isMuted) return null
  const lengthMs = times.endMs - times.startMs
  return {
    kind: 'sound',
    id: part.id,
    startMs: times.startMs,
    endMs: times.endMs,
    mediaId: part.mediaId,
    gainDb: soundGainDb(part.isLevelled ? media[part.mediaId]?.level : null, part.trimDb, look),
    repeats: part.clip.end.length === 'natural' && part.clip.end.times > 1,
    fadeInMs: Math.min(part.fadeInMs, lengthMs),
    fadeOutMs: Math.min(times.isCutOff ? Math.max(cutFadeMs, part.fadeOutMs) : part.fadeOutMs, lengthMs),
  }
}
