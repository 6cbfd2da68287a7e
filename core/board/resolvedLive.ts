import { resolveInk } from '../look/resolveStyle.ts'
import type { ResolvedVisible } from '../score/resolvedBase.ts'
import type { SolvedClip } from '../score/solve.ts'
import type { PartContext } from '../settle/partContext.ts'
import { settleVisible } from '../settle/settleVisible.ts'
import type { LiveFields } from './liveFields.ts'
import { resolveLiveText, type ResolvedLiveText, type ResolvedPlate } from './liveText.ts'
import { wantKey, type Want } from './want.ts'

/** What all parts have, once they are settled, that a board keeps up to date. `want` tells them from all others. */
export interface ResolvedLiveBase extends ResolvedVisible {
  widthPx: number
  heightPx: number
  padPx: number
  plate: ResolvedPlate | null
  text: ResolvedLiveText
  /** Null: the clock on the wall is enough. */
  want: Want | null
  /** What it wants, by the name under which it is told. */
  wantKey: string
}

/** What settling does alike for all of them. */
export function settleLive(
  part: LiveFields,
  times: SolvedClip,
  { look }: Pick<PartContext, 'look'>,
  want: Want | null,
): ResolvedLiveBase {
  const { widthPx, heightPx, padPx, plate } = part
  return {
    ...settleVisible(part, times, look),
    ...{ widthPx, heightPx, padPx, want },
    plate: plate && { ...plate, ink: resolveInk(plate.ink, look) },
    text: resolveLiveText(part, look),
    wantKey: want ? wantKey(want) : '',
  }
}
