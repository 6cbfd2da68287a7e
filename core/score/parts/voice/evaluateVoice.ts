import type { ResolvedVoice } from './resolveVoice.ts'

/** What a voice says at a moment: which recording, from where in it, how loud. Null between two and after the last. */
export function evaluateVoice(
  part: ResolvedVoice,
  tMs: number,
): { partId: string; mediaId: string; sourceOffsetMs: number; gainDb: number } | null {
  const now = part.utterances.find(({ startMs, endMs }) => tMs >= startMs && tMs < endMs)
  if (!now) return null
  const fade = now.fadeOutMs > 0 ? Math.max(1e-4, Math.min(1, (now.endMs - tMs) / now.fadeOutMs)) : 1
  return {
    partId: part.id,
    mediaId: now.url,
    sourceOffsetMs: tMs - now.startMs,
    gainDb: now.gainDb + 20 * Math.log10(fade),
  }
}
