import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { messagePieces } from '../../../text/messagePieces.ts'
import { resolveText, type ResolvedText } from '../../../text/resolvedText.ts'
import type { Message } from './schema.ts'

export interface ResolvedMessage extends ResolvedVisible, ResolvedText {
  kind: 'message'
}

/** An event without a message leaves the part without a letter: it then takes no room, and a plate does not hug it. */
export function resolveMessage(
  part: Message,
  times: SolvedClip,
  { message, look, locale }: PartContext,
): ResolvedMessage {
  const pieces = message ? messagePieces(message.text, part.showsEmotes ? message.emotes : []) : []
  return { kind: 'message', ...settleVisible(part, times, look), ...resolveText(part, pieces, look, locale) }
}
