import type { Lines } from './lines.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of the lines of boxes. */
export interface LinesPort {
  /** The lines of all boxes, whichever process carries them out. */
  lines: Lines
  /** Takes lanes that nobody carries out, here or elsewhere: of a box that was made, or brought back. */
  takeFreeLanes: () => Promise<void>
}

export const { provide: provideLines, use: useLines } = definePort<LinesPort>('The lines of boxes')
