import type { Canvas } from '../core/composition/canvas.ts'
import type { Edge } from '../core/composition/clip.ts'
import type { Place } from '../core/composition/place.ts'
import type { Composition } from '../core/composition/schema.ts'
import {
  starterLine,
  starterMessage,
  starterParticles,
  starterPicture,
  starterShape,
  starterSound,
  starterVoice,
} from '../core/composition/starterParts.ts'
import { waitingForVoice } from '../core/edit/addPart.ts'
import type { LetterMotion } from '../core/motion/letters.ts'
import type { Part, PartOf } from '../core/score/parts/part.ts'
import type { PresetName } from '../core/score/parts/particles/presets.ts'
import type { Seat } from './set.ts'

/** Below this nothing is read on a canvas of 1080 lines. */
const leastPx = 24
/** An alert that waits until a long message has been read stays so long at most. */
const longestMs = 26_000

/** Parts of sets, as the starter parts have them, with what a set says otherwise. */

export const at = (anchor: string, offsetMs = 0): Edge => ({ at: anchor, offsetMs })
export const on = (xPx: number, yPx: number, origin: Place['origin'] = 'centre'): Place => ({ xPx, yPx, origin })
export const letters = (
  motion: LetterMotion['motion'],
  staggerMs: number,
  ms: number,
  order: LetterMotion['order'] = 'start',
): LetterMotion => ({ motion, unit: 'letter', order, staggerMs, ms, strength: 1 })

type Changes<P> = Partial<Omit<P, 'kind' | 'id'>>

/** A part that begins at an anchor and stays until the end. */
function from<P extends Part>(part: P, start: Edge | undefined, changes: Changes<P>): P {
  return { ...part, ...changes, ...(start ? { clip: { ...part.clip, start } } : {}) }
}

export const picture = (
  canvas: Canvas,
  { pictureId }: Seat,
  sidePx: number,
  place: Place,
  changes: Changes<PartOf<'picture'>> = {},
  start?: Edge,
): PartOf<'picture'> =>
  from(starterPicture(canvas, pictureId), start, { widthPx: sidePx, heightPx: sidePx, place, ...changes })

export const headline = (
  canvas: Canvas,
  { words }: Seat,
  sizePx: number,
  place: Place,
  changes: Changes<PartOf<'line'>> = {},
  start?: Edge,
): PartOf<'line'> =>
  from(starterLine(canvas, 'headline', words.headline), start, {
    sizePx,
    // The longest names that platforms allow have to fit, as small as they can still be read.
    floorPx: leastPx,
    place,
    ...changes,
  })

export const second = (
  canvas: Canvas,
  { words }: Seat,
  sizePx: number,
  place: Place,
  changes: Changes<PartOf<'line'>> = {},
  start?: Edge,
): PartOf<'line'> =>
  from(starterLine(canvas, 'second', words.second), start, {
    sizePx,
    floorPx: leastPx,
    place,
    ...changes,
  })

/** What the viewer wrote; nothing where the kind never says anything. */
export const message = (
  canvas: Canvas,
  { hasMessage }: Seat,
  sizePx: number,
  place: Place,
  changes: Changes<PartOf<'message'>> = {},
  start: Edge = at('second.entered'),
): PartOf<'message'>[] =>
  hasMessage
    ? [
        from(starterMessage(canvas, start), undefined, {
          sizePx,
          floorPx: leastPx,
          place,
          // As long as it takes to be read: the alert stays with it.
          clip: { start, end: { length: 'natural', times: 1 } },
          ...changes,
        }),
      ]
    : []

export const shape = (
  canvas: Canvas,
  id: string,
  widthPx: number,
  heightPx: number,
  place: Place,
  changes: Changes<PartOf<'shape'>> = {},
  start?: Edge,
): PartOf<'shape'> => ({
  ...from(starterShape(canvas), start, {
    name: `${id[0]?.toUpperCase()}${id.slice(1)}`,
    widthPx,
    heightPx,
    place,
    stroke: { widthPx: 0, ink: { role: 'accent' } },
    ...changes,
  }),
  id,
})

export const particles = (
  canvas: Canvas,
  preset: PresetName,
  changes: Changes<PartOf<'particles'>> = {},
  start?: Edge,
): PartOf<'particles'> => ({ ...from(starterParticles(canvas, preset), start, changes), id: 'sparks', name: 'Sparks' })

/** The sound that the look has for such moments. */
export const sound = ({ soundId, role }: Seat): PartOf<'sound'> => ({ ...starterSound(soundId), role })

/**
 * A composition that can be read aloud: what it says, then what the viewer wrote. Silent until it is wanted; nobody is told that
 * a voice is not heard which was never asked for.
 */
export function withVoice(composition: Composition, { words }: Seat): Composition {
  const { parts, length, silenced } = composition
  const voice = { ...starterVoice(`${words.headline} ${words.second}`, at('second.start', 400)), isMuted: true }
  return {
    ...composition,
    length: waitingForVoice(length),
    parts: [...parts, voice],
    silenced: [...silenced, { type: 'unusedPart', partId: voice.id }],
  }
}

export const score = (ms: number, ...parts: (Part | Part[])[]): Composition => ({
  version: 4,
  length: parts.flat().some(({ kind }) => kind === 'message')
    ? { rule: 'fit', minMs: ms, maxMs: longestMs }
    : { rule: 'fixed', ms },
  silenced: [],
  parts: parts.flat(),
})
