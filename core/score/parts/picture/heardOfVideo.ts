import type { PartContext } from '../../../settle/partContext.ts'
import { soundGainDb } from '../../../settle/soundGain.ts'
import type { SolvedClip } from '../../solve.ts'
import { cutFadeMs } from '../../cutFade.ts'
import type { MomentSound } from '../partDefinition.ts'
import type { ResolvedPicture } from './resolvePicture.ts'
import type { Picture } from './schema.ts'

/** What the sound of a video is called behind the name of its part. */
export const ownSoundName = 'own'

/**
 * The sound of a video, in time with its picture: where that begins again the sound does, cut where it would go on longer than
 * the picture. Where the last picture stays, the sound is heard to its end. Nothing of files without a sound.
 */
export function heardOfVideo(
  { mediaId, ownSound }: Picture,
  { naturalMs, repeats }: ResolvedPicture,
  { startMs, endMs, isCutOff }: SolvedClip,
  { look, media }: PartContext,
): MomentSound[] {
  const facts = mediaId === null ? undefined : media[mediaId]
  if (mediaId === null || !facts?.ownSound || ownSound.isMuted) return []
  const { startsMs, durationMs } = facts.ownSound
  const heard = {
    name: ownSoundName,
    mediaId,
    gainDb: soundGainDb(ownSound.isLevelled ? facts.level : null, ownSound.trimDb, look),
    ...(isCutOff ? { fadeOutMs: Math.min(cutFadeMs, endMs - startMs) } : {}),
  }
  const roundMs = naturalMs ?? 0
  if (repeats === 'loop' && roundMs > 0 && endMs - startMs > roundMs)
    return startsMs < roundMs ? [{ ...heard, startMs, endMs, round: { ms: roundMs, leadMs: startsMs } }] : []
  const fromMs = startMs + startsMs
  const untilMs = Math.min(endMs, fromMs + durationMs)
  return untilMs > fromMs ? [{ ...heard, startMs: fromMs, endMs: untilMs }] : []
}
