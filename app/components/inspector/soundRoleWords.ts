import type { SoundRole } from '../../../core/look/schema.ts'

/** When the look's shared sounds are heard, as people read it. */
export const soundRoleWords: Record<SoundRole, string> = {
  arrival: 'someone comes',
  support: 'someone gives',
  crowd: 'many together',
}
