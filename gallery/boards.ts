import { starterBoard } from '../core/board/starterBoard.ts'
import { plainStyle, type LiveStyle } from '../core/board/starterLive.ts'
import type { Composition } from '../core/composition/schema.ts'
import type { Part } from '../core/score/parts/part.ts'
import { sceneOf } from '../core/board/resolveBoard.ts'
import { plainBoard } from '../core/board/plainBoard.ts'
import type { Bar } from '../core/score/parts/bar/schema.ts'
import type { Chat } from '../core/score/parts/chat/schema.ts'
import type { GallerySet } from './set.ts'

interface BoardStyle {
  style: LiveStyle
  bar?: Partial<Bar>
  chat?: Partial<Chat>
}

/** What each set does differently on a board, as it does with its alerts. */
const styles: Record<string, BoardStyle> = {
  'window-ledge': { style: { ...plainStyle, roundness: 1.6 } },
  'jelly-parade': {
    style: { ...plainStyle, roundness: 1.2, plateOpacity: 0.8 },
    bar: { whenReached: 'beat', fillInk: { role: 'glow' } },
  },
  'curtain-up': {
    style: { ...plainStyle, isUpperCase: true, roundness: 0, plateOpacity: 0.92 },
    chat: { isUpperCase: false },
  },
  'plain-speaking': {
    style: { ...plainStyle, roundness: 0, plateOpacity: 0.9 },
    bar: { says: '{title}.\n{amount}. Of {target}.' },
  },
  stairwell: { style: { ...plainStyle, roundness: 0.2, plateOpacity: 0.9 } },
  'sixteen-lamps': {
    style: { ...plainStyle, roundness: 0, plateOpacity: 0.95 },
    bar: { says: '{title}\n{amount} / {target}' },
  },
  'first-frost': { style: { ...plainStyle, roundness: 0.9, plateOpacity: 0.75 }, bar: { fillInk: { role: 'glow' } } },
  'apple-cart': { style: { ...plainStyle, roundness: 0.6, plateOpacity: 0.9 } },
}

/** The board of a set: bar, list and chat as its alerts look. */
export function boardOf(set: Pick<GallerySet, 'id' | 'canvas' | 'look'>): Composition {
  const { style, bar, chat } = styles[set.id] ?? { style: plainStyle }
  const parts = starterBoard(set.canvas, style).map((part): Part => {
    if (part.kind === 'bar') return { ...part, ...bar }
    return part.kind === 'chat' ? { ...part, ...chat } : part
  })
  const scene = sceneOf(
    plainBoard(set.canvas, { ...set.look, sounds: { arrival: null, support: null, crowd: null } }, parts),
  )
  if (!scene) throw new Error(`The set ${set.id} has no board`)
  return scene
}
