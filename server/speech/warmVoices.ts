import type { BoxDocument } from '../../core/composition/box.ts'
import type { SpeechEngines } from './engines.ts'

/** Starts the engines where a box has a voice: the first text after their start takes as long as ten later ones. */
export function warmVoices(engines: SpeechEngines, documents: readonly (BoxDocument | null | undefined)[]): void {
  const speaks = documents.some((document) => document?.alerts.some(({ variations }) => variations.some(({ composition }) => composition.parts.some(({ kind }) => kind === 'voice'))))
  if (speaks) void engines.voices()
}
