import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import { resolveInk } from '../../../look/resolveStyle.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { Bar } from './schema.ts'

export interface ResolvedBar extends ResolvedLiveBase {
  kind: 'bar'
  form: Bar['form']
  mediaId: string | null
  says: string
  atEnd: string
  fillInk: string
  countsMs: number
  hasMarks: boolean
  whenReached: Bar['whenReached']
}

export function resolveBar(part: Bar, times: SolvedClip, context: PartContext): ResolvedBar {
  const { form, mediaId, says, atEnd, countsMs, hasMarks, whenReached } = part
  return {
    kind: 'bar',
    ...settleLive(part, times, context, { of: 'goal', goalId: part.goalId }),
    ...{ form, mediaId, says, atEnd, countsMs, hasMarks, whenReached },
    fillInk: resolveInk(part.fillInk, context.look),
  }
}
