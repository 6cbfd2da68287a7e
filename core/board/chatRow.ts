import type { CanonicalEvent } from '../events/schema.ts'
import { valuesOf } from '../events/variables.ts'
import { graphemes } from '../text/graphemes.ts'
import { messagePieces } from '../text/messagePieces.ts'
import type { TextPiece } from '../text/textPiece.ts'
import { ownHue } from './nameInk.ts'
import type { ChatRole, Row } from './slice.ts'

/** What platforms call the roles that a mark tells, in any case. */
const marked: Record<ChatRole, RegExp> = {
  host: /^(broadcaster|owner|host|streamer)$/i,
  helper: /^(moderator|mod|helper|editor)$/i,
  supporter: /^(subscriber|member|sponsor|vip|supporter|founder)$/i,
}

/** Of a line of chat so many letters are shown at most; emotes are letters, too. */
export const chatLettersMost = 300

/** What was said in a chat as a row: who, in which colour, with which marks, and the words with their pictures. */
export function chatRow(event: CanonicalEvent, id: string): Row {
  const { viewer, message } = event.data
  return {
    id,
    atMs: event.occurredAtMs,
    name: String(valuesOf(event).name ?? ''),
    nameInk: viewer?.colour ?? (viewer ? ownHue(viewer.id) : null),
    roles: (Object.keys(marked) as ChatRole[]).filter((role) =>
      (viewer?.roles ?? []).some((each) => marked[role].test(each)),
    ),
    pieces: held(messagePieces(message?.text ?? '', message?.emotes ?? [])),
  }
}

/** As many letters as a line may have; what is cut says so. */
function held(pieces: readonly TextPiece[]): TextPiece[] {
  const kept: TextPiece[] = []
  let left = chatLettersMost
  for (const piece of pieces) {
    if (piece.emoteUrl) {
      if (left < 1) return [...kept, { text: '…', isValue: true }]
      left -= 1
      kept.push(piece)
      continue
    }
    const letters = graphemes(piece.text)
    if (letters.length > left) return [...kept, { ...piece, text: `${letters.slice(0, left).join('')}…` }]
    left -= letters.length
    kept.push(piece)
  }
  return kept
}
