import { heardCaption } from '../../../settle/heardCaption.ts'
import { fileMs, oneFile, type PartDefinition } from '../partDefinition.ts'
import { resolveSound, type ResolvedSound } from './resolveSound.ts'
import type { Sound } from './schema.ts'

export const soundPart: PartDefinition<Sound, ResolvedSound> = {
  resolve: resolveSound,
  naturalMs: fileMs,
  letters: () => '',
  files: oneFile(),
  caption: (part) => (part.mediaId === null ? 'no sound yet' : heardCaption(part)),
  unnoticed: ({ isMuted }) => (isMuted ? 'muted' : null),
  hasOwnPlace: () => false,
  usualSize: () => null,
}
