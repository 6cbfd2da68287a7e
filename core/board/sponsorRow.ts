import type { TextPiece } from '../text/textPiece.ts'
import type { Row } from './slice.ts'

/** What a line says. */
export interface SaidLine {
  /** Of the time that it is shown: a line that comes again is another one. */
  id: string
  words: string
  /** Where its picture is; null: it has none. */
  pictureUrl: string | null
}

/** A sponsor's line as a row of its own. @param atMs when its turn came, in epoch milliseconds */
export function sponsorRow({ id, words, pictureUrl }: SaidLine, atMs: number): Row {
  const picture: TextPiece[] = pictureUrl === null ? [] : [{ text: '', isValue: false, emoteUrl: pictureUrl }]
  return {
    ...{ id, atMs, name: '', nameInk: null, roles: [] },
    pieces: [...picture, { text: pictureUrl === null ? words : ` ${words}`, isValue: false }],
  }
}
