import type { ResolvedSound } from '../../score/resolved.ts'
import type { SoundState } from '../../score/sceneState.ts'

/** The sound at a moment inside its clip: which moment of its file is heard, and how loud. */
export function evaluateSound(part: ResolvedSound, tMs: number): SoundState {
  return { partId: part.id, mediaId: part.mediaId, sourceOffsetMs: tMs - part.startMs, gainDb: part.gainDb }
}
