import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { fillTemplate } from '../../../text/fillTemplate.ts'
import { withEmotes } from '../../../text/messagePieces.ts'
import { resolveText, type ResolvedText } from '../../../text/resolvedText.ts'
import type { Ticker } from './schema.ts'

export interface ResolvedTicker extends ResolvedVisible, ResolvedText {
  kind: 'ticker'
  widthPx: number
  pxPerS: number
  gapPx: number
}

/** Settles a running line. It is never fitted: it has all the room it needs, one line of it. */
export function resolveTicker(
  part: Ticker,
  times: SolvedClip,
  { values, message, look, locale }: PartContext,
): ResolvedTicker {
  const text = resolveText(
    { ...part, letters: null, readAlong: null },
    withEmotes(fillTemplate(part.template, values, locale), message),
    look,
    locale,
  )
  return {
    kind: 'ticker',
    ...settleVisible(part, times, look),
    ...text,
    widthPx: part.widthPx,
    pxPerS: part.pxPerS,
    gapPx: part.gapPx,
  }
}
