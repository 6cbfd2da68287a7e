import type { ResolvedPart } from '../score/resolved.ts'
import type { SolvedClip } from '../score/solve.ts'
import type { PartContext } from '../settle/partContext.ts'
import { resolveBackdrop } from './backdrop/resolveBackdrop.ts'
import { resolveLine } from './line/resolveLine.ts'
import { resolveMessage } from './message/resolveMessage.ts'
import type { Part, PartKind, PartOf } from './part.ts'
import { resolveParticles } from './particles/resolveParticles.ts'
import { resolvePicture } from './picture/resolvePicture.ts'
import { resolveShape } from './shape/resolveShape.ts'
import { resolveSound } from './sound/resolveSound.ts'
import { resolveTicker } from './ticker/resolveTicker.ts'
import { resolveVoice } from './voice/resolveVoice.ts'

const resolvers: {
  [K in PartKind]: (part: PartOf<K>, times: SolvedClip, context: PartContext) => ResolvedPart | null
} = {
  picture: resolvePicture,
  line: resolveLine,
  message: resolveMessage,
  sound: resolveSound,
  backdrop: resolveBackdrop,
  particles: resolveParticles,
  ticker: resolveTicker,
  shape: resolveShape,
  voice: resolveVoice,
}

/**
 * Settles one part. Null for what can neither be seen nor heard (hidden, muted, a sound without a file, a voice without
 * a word).
 */
export function resolvePart(part: Part, times: SolvedClip, context: PartContext): ResolvedPart | null {
  if ('isHidden' in part && part.isHidden) return null
  // The table pairs each kind with its own resolver; the compiler cannot follow one key through both.
  return (resolvers[part.kind] as (part: Part, times: SolvedClip, context: PartContext) => ResolvedPart | null)(
    part,
    times,
    context,
  )
}
