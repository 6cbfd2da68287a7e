import { resolvePhase } from '../../../look/resolveStyle.ts'
import { unseen, type PartDefinition } from '../partDefinition.ts'
import { heardInDraw } from './heardInDraw.ts'
import { lettersOfDraw } from './lettersOfDraw.ts'
import { resolveDraw, type ResolvedDraw } from './resolveDraw.ts'
import type { DrawPart } from './schema.ts'

const filesOf = ({ prizes, sounds }: DrawPart): string[] => [
  ...new Set([...prizes.map(({ mediaId }) => mediaId), ...Object.values(sounds)].filter((id) => id !== null)),
]

export const drawPart: PartDefinition<DrawPart, ResolvedDraw> = {
  resolve: resolveDraw,
  heard: heardInDraw,
  naturalMs: ({ motion, slideMs, openMs, showMs }, { look }) =>
    resolvePhase(motion.entrance, look).ms + slideMs + openMs + showMs + resolvePhase(motion.exit, look).ms,
  letters: lettersOfDraw,
  files: {
    of: filesOf,
    with(part, from, to) {
      const swap = (id: string | null) => (id === from ? to : id)
      const { stroke, open, rare } = part.sounds
      return {
        ...part,
        prizes: part.prizes.map((prize) => ({ ...prize, mediaId: swap(prize.mediaId) })),
        sounds: { stroke: swap(stroke), open: swap(open), rare: swap(rare) },
      }
    },
  },
  caption: ({ prizes, rare }) => `${prizes.length} prizes${rare ? `, one rare at ${rare.percent} %` : ''}`,
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
