import { unseen, type PartDefinition } from '../partDefinition.ts'
import { flightMs, resolveParticles, type ResolvedParticles } from './resolveParticles.ts'
import type { Particles } from './schema.ts'

export const particlesPart: PartDefinition<Particles, ResolvedParticles> = {
  resolve: resolveParticles,
  naturalMs: flightMs,
  letters: () => '',
  files: {
    of: ({ sprites }) => [...new Set(sprites.flatMap((sprite) => (sprite.from === 'picture' ? [sprite.mediaId] : [])))],
    with: (part, from, to) => ({
      ...part,
      sprites: part.sprites.map((sprite) =>
        sprite.from === 'picture' && sprite.mediaId === from ? { ...sprite, mediaId: to } : sprite,
      ),
    }),
  },
  caption: ({ count, strength }) => `${Math.round(count * strength)} particles`,
  unnoticed: unseen,
  hasOwnPlace: ({ area }) => area.of === 'own',
  usualSize: () => null,
}
