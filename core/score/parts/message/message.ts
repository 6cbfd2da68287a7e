import { resolvePhase } from '../../../look/resolveStyle.ts'
import { usualHeightPx } from '../../../text/usualSize.ts'
import { plainText } from '../../../text/textPiece.ts'
import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { readingMs } from './readingMs.ts'
import { resolveMessage, type ResolvedMessage } from './resolveMessage.ts'
import type { Message } from './schema.ts'

export const messagePart: PartDefinition<Message, ResolvedMessage> = {
  resolve: resolveMessage,
  /** As long as reading it takes, with its entrance and exit. */
  naturalMs({ motion }, { messageText, look }) {
    const readMs = readingMs(messageText)
    return readMs === 0 ? 0 : resolvePhase(motion.entrance, look).ms + readMs + resolvePhase(motion.exit, look).ms
  },
  letters: ({ pieces }) => plainText(pieces),
  files: noFiles(),
  caption: () => 'what the viewer wrote',
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: (part) => ({ widthPx: part.maxWidthPx, heightPx: usualHeightPx(part) }),
}
