import type { Measured } from '../../../contract/media.ts'

/** What the measuring process found out about a file. */
export interface Measurement {
  kind: 'picture' | 'sound' | 'font'
  /** The type under which it is served, by its content. */
  mime: string
  measured: Measured
  /** WebP. Null for sounds, fonts, and what only browsers decode. */
  poster: Uint8Array | null
  strip: Uint8Array | null
  /** What is stored instead of the file that was sent, where it was converted. */
  converted: Uint8Array | null
}

/** What the process answers. */
export type MeasureAnswer =
  { ok: true; measurement: Measurement } | { ok: false; reason: string; advice: string; canDecodeInBrowser: boolean }
