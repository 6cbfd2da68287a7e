import type { ResolvedScore } from './resolved.ts'

/** A score whose voices were silenced: everything else keeps its time, sounds do not go down and no word lights up. */
export function withoutVoices(score: ResolvedScore): ResolvedScore {
  const { duck: _duck, ...rest } = score
  return {
    ...rest,
    parts: score.parts.flatMap((part) =>
      part.kind === 'voice' ? [] : ['readAlong' in part ? { ...part, readAlong: null } : part],
    ),
  }
}
