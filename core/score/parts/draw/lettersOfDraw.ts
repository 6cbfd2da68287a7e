import { plainText } from '../../../text/textPiece.ts'
import type { ResolvedDraw } from './resolveDraw.ts'

/** All letters that a draw shows: the words on its face, and the names of its prizes. */
export const lettersOfDraw = ({ face, prizes }: Pick<ResolvedDraw, 'face' | 'prizes'>): string =>
  `${plainText(face)}${prizes.map(({ name }) => name).join('')}`
