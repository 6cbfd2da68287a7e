import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { fillTemplate } from '../../../text/fillTemplate.ts'
import { withEmotes } from '../../../text/messagePieces.ts'
import { resolveText, type ResolvedText } from '../../../text/resolvedText.ts'
import type { Line } from './schema.ts'

export interface ResolvedLine extends ResolvedVisible, ResolvedText {
  kind: 'line'
}

export function resolveLine(
  part: Line,
  times: SolvedClip,
  { values, message, look, locale }: PartContext,
): ResolvedLine {
  return {
    kind: 'line',
    ...settleVisible(part, times, look),
    ...resolveText(part, withEmotes(fillTemplate(part.template, values, locale), message), look, locale),
  }
}
