import { noFiles, type PartDefinition } from '../partDefinition.ts'
import { resolveVoice, type ResolvedVoice } from './resolveVoice.ts'
import type { Voice } from './schema.ts'

export const voicePart: PartDefinition<Voice, ResolvedVoice> = {
  resolve: resolveVoice,
  naturalMs: ({ id }, { spokenMs }) => spokenMs?.[id] ?? 0,
  letters: () => '',
  files: noFiles(),
  caption: ({ isMuted, template, readsMessage }) =>
    isMuted ? 'muted' : [template, readsMessage ? 'what the viewer wrote' : ''].filter(Boolean).join(' + '),
  unnoticed({ isMuted, template, readsMessage }) {
    if (isMuted) return 'muted'
    return template.trim() === '' && !readsMessage ? 'given nothing to read' : null
  },
  hasOwnPlace: () => false,
  usualSize: () => null,
}
