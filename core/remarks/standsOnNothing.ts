import { isTextPart } from '../score/resolved.ts'
import { plainText } from '../text/textPiece.ts'
import type { RemarkContext } from './remark.ts'

type Shown = Pick<RemarkContext, 'composition' | 'score'>

/** Whether a part is a text without a letter this time: a message that nobody wrote. */
const isEmpty = ({ score }: Shown, id: string): boolean =>
  score.parts.some((part) => part.id === id && isTextPart(part) && plainText(part.pieces).trim() === '')

/**
 * Whether a part has nothing to show because of what was not written: it is an empty text, or comes or goes with one, or lies
 * behind such texts alone. How long it lasts is then nobody's concern. Linear in the parts.
 */
export function standsOnNothing(context: Shown, partId: string): boolean {
  if (isEmpty(context, partId)) return true
  const part = context.composition.parts.find(({ id }) => id === partId)
  if (!part) return false
  const { start, end } = part.clip
  const hangsOn = [start.at, ...(end.length === 'until' ? [end.edge.at] : [])].map((at) => at.split('.')[0] ?? '')
  const behind = part.kind === 'backdrop' ? part.hugs : []
  return hangsOn.some((id) => isEmpty(context, id)) || (behind.length > 0 && behind.every((id) => isEmpty(context, id)))
}
