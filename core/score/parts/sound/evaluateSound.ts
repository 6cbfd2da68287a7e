import type { SoundState } from '../../sceneState.ts'
import type { ResolvedSound } from './resolveSound.ts'

/**
 * The sound at a moment inside its clip: which moment of its file is heard (outside the file: none, there is silence), and how
 * loud. Fades are straight in amplitude.
 */
export function evaluateSound(part: ResolvedSound, tMs: number): SoundState {
  const up = part.fadeInMs > 0 ? Math.min(1, (tMs - part.startMs) / part.fadeInMs) : 1
  const down = part.fadeOutMs > 0 ? Math.min(1, (part.endMs - tMs) / part.fadeOutMs) : 1
  const ratio = Math.max(1e-4, up * down)
  return {
    partId: part.id,
    mediaId: part.mediaId,
    sourceOffsetMs: part.round ? ((tMs - part.startMs) % part.round.ms) - part.round.leadMs : tMs - part.startMs,
    gainDb: part.gainDb + (ratio === 1 ? 0 : 20 * Math.log10(ratio)),
  }
}
