import { fileMs, oneFile, type PartDefinition } from '../partDefinition.ts'
import { resolveSound, type ResolvedSound } from './resolveSound.ts'
import type { Sound } from './schema.ts'

export const soundPart: PartDefinition<Sound, ResolvedSound> = {
  resolve: resolveSound,
  naturalMs: fileMs,
  letters: () => '',
  files: oneFile(),
  caption({ mediaId, isMuted, isLevelled, trimDb }) {
    if (mediaId === null) return 'no sound yet'
    if (isMuted) return 'muted'
    const trim = trimDb === 0 && isLevelled ? '' : `${trimDb > 0 ? '+' : ''}${trimDb.toFixed(1)} dB`
    return [isLevelled ? 'levelled' : '', trim].filter(Boolean).join(' ')
  },
  unnoticed: ({ isMuted }) => (isMuted ? 'muted' : null),
  hasOwnPlace: () => false,
  usualSize: () => null,
}
