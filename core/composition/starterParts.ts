import type { Backdrop } from '../score/parts/backdrop/schema.ts'
import type { DrawPart } from '../score/parts/draw/schema.ts'
import type { Line } from '../score/parts/line/schema.ts'
import type { Picture } from '../score/parts/picture/schema.ts'
import type { Sound } from '../score/parts/sound/schema.ts'
import type { Message } from '../score/parts/message/schema.ts'
import { particlePresets, type PresetName } from '../score/parts/particles/presets.ts'
import type { Particles } from '../score/parts/particles/schema.ts'
import type { Shape } from '../score/parts/shape/schema.ts'
import type { Ticker } from '../score/parts/ticker/schema.ts'
import { usualDuckDb, type Voice } from '../score/parts/voice/schema.ts'
import type { TextStyle } from '../text/style.ts'
import type { Canvas } from './canvas.ts'
import type { Edge } from './clip.ts'
import { untilTheEnd } from './untilTheEnd.ts'
import { plainVisible } from './visiblePart.ts'

export const fromTheStart: Edge = { at: 'score.start', offsetMs: 0 }

/** Text is sized for a canvas 1080 on its shorter side. */
export function reach(canvas: Canvas): number {
  return Math.min(canvas.widthPx, canvas.heightPx) / 1080
}

export const leaves = { role: 'leave' as const }
const pictureSidePx = 460
/** Where the picture's middle lies, as a ratio of the canvas height. */
export const pictureAt = 0.37

/** A picture in the upper middle, ready to be given a file. */
export function starterPicture(canvas: Canvas, mediaId: string | null): Picture {
  const size = Math.round(pictureSidePx * reach(canvas))
  return {
    kind: 'picture',
    id: 'picture',
    name: 'Picture',
    clip: { start: fromTheStart, end: untilTheEnd() },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * pictureAt), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { role: 'enter' }, exit: leaves },
    opacity: 1,
    mediaId,
    takesChoice: false,
    widthPx: size,
    heightPx: size,
    fit: 'contain',
    extent: 'ink',
    crop: { left: 0, top: 0, right: 0, bottom: 0 },
    isMirrored: false,
    repeats: 'loop',
    colour: { mode: 'asIs' },
    ownSound: { isMuted: false, isLevelled: true, trimDb: 0 },
  }
}

/** A line of text under where the picture stands; the second stands under the first. */
export function starterLine(
  canvas: Canvas,
  which: 'headline' | 'second',
  template: string,
  start: Edge = fromTheStart,
): Line {
  const isHeadline = which === 'headline'
  return {
    kind: 'line',
    id: which,
    name: isHeadline ? 'Headline' : 'Second line',
    clip: { start, end: untilTheEnd() },
    place: {
      xPx: canvas.widthPx / 2,
      yPx: Math.round(canvas.heightPx * pictureAt + (pictureSidePx / 2 + 70 + (isHeadline ? 0 : 122)) * reach(canvas)),
      origin: 'centre',
    },
    ...plainVisible,
    motion: { entrance: { role: 'words' }, exit: leaves },
    opacity: 1,
    template,
    ...starterText(canvas),
    type: { role: isHeadline ? 'display' : 'text' },
    shadow: { role: isHeadline ? 'display' : 'text' },
    sizePx: Math.round((isHeadline ? 112 : 60) * reach(canvas)),
    floorPx: Math.round((isHeadline ? 52 : 36) * reach(canvas)),
    maxWidthPx: Math.round(canvas.widthPx * 0.86),
    ink: { role: isHeadline ? 'headline' : 'body' },
    outline: { widthPx: Math.round((isHeadline ? 8 : 6) * reach(canvas)), ink: { role: 'outline' } },
  }
}

/** A sound heard from the first moment. */
export function starterSound(mediaId: string | null): Sound {
  return {
    kind: 'sound',
    id: 'sound',
    name: 'Sound',
    clip: { start: fromTheStart, end: { length: 'natural', times: 1 } },
    mediaId,
    role: null,
    takesChoice: false,
    trimDb: 0,
    isLevelled: true,
    isMuted: false,
    isLocked: false,
    fadeInMs: 0,
    fadeOutMs: 0,
  }
}

/** A voice that reads the viewer's message, once the first sound has been heard for a moment. */
export function starterVoice(template = '', start: Edge = { at: 'score.start', offsetMs: 900 }): Voice {
  return {
    kind: 'voice',
    id: 'voice',
    name: 'Voice',
    clip: { start, end: { length: 'natural', times: 1 } },
    isLocked: false,
    template,
    readsMessage: true,
    pauseMs: 350,
    lineVoice: null,
    messageVoice: null,
    trimDb: 0,
    duckDb: usualDuckDb,
    isMuted: false,
  }
}

/** A plate behind the given parts, as long as the whole score. */
export function starterBackdrop(canvas: Canvas, hugs: string[], start: Edge = fromTheStart): Backdrop {
  return {
    kind: 'backdrop',
    id: 'backdrop',
    name: 'Backdrop',
    clip: { start, end: untilTheEnd() },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * 0.68), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { motion: 'fade', ms: 300, easing: null }, exit: leaves },
    opacity: 0.72,
    hugs,
    widthPx: Math.round(canvas.widthPx * 0.6),
    heightPx: Math.round(canvas.heightPx * 0.24),
    paddingPx: Math.round(28 * reach(canvas)),
    cornerPx: Math.round(14 * reach(canvas)),
    ink: { role: 'plate' },
  }
}

/** The text style that every starter text begins with; sized by whoever uses it. */
function starterText(canvas: Canvas): TextStyle {
  return {
    type: { role: 'text' },
    sizePx: Math.round(60 * reach(canvas)),
    floorPx: Math.round(36 * reach(canvas)),
    maxWidthPx: Math.round(canvas.widthPx * 0.86),
    fit: 'shrink',
    maxLines: 2,
    align: 'middle',
    lineHeight: 1.24,
    letterSpacingEm: 0,
    isUpperCase: false,
    ink: { role: 'body' },
    highlightInk: { role: 'accent' },
    outline: { widthPx: Math.round(6 * reach(canvas)), ink: { role: 'outline' } },
    shadow: { role: 'text' },
    letters: null,
    readAlong: null,
  }
}

/** The viewer's message under the lines, in at most three lines of its own style. */
export function starterMessage(canvas: Canvas, start: Edge = fromTheStart): Message {
  return {
    kind: 'message',
    id: 'message',
    name: 'Viewer’s message',
    clip: { start, end: untilTheEnd() },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * 0.86), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { motion: 'fade', ms: 400, easing: null }, exit: leaves },
    opacity: 1,
    ...starterText(canvas),
    sizePx: Math.round(44 * reach(canvas)),
    floorPx: Math.round(30 * reach(canvas)),
    maxWidthPx: Math.round(canvas.widthPx * 0.6),
    fit: 'wrap',
    maxLines: 3,
    highlightInk: { role: 'body' },
    showsEmotes: true,
  }
}

/** Particles of one of our presets over the whole canvas, as long as they fly. */
export function starterParticles(canvas: Canvas, preset: PresetName, start: Edge = fromTheStart): Particles {
  return {
    kind: 'particles',
    id: preset,
    name: preset[0]?.toUpperCase() + preset.slice(1),
    clip: { start, end: { length: 'natural', times: 1 } },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * pictureAt), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { motion: 'none', ms: 0, easing: null }, exit: leaves },
    opacity: 1,
    ...particlePresets[preset],
    area: { of: 'canvas' },
    widthPx: Math.round(canvas.widthPx * 0.4),
    heightPx: Math.round(canvas.heightPx * 0.4),
    strength: 1,
    seed: null,
  }
}

/** A line that runs along the foot of the canvas. */
export function starterTicker(canvas: Canvas, template: string): Ticker {
  return {
    kind: 'ticker',
    id: 'ticker',
    name: 'Running line',
    clip: { start: fromTheStart, end: untilTheEnd() },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * 0.92), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { motion: 'fade', ms: 300, easing: null }, exit: leaves },
    opacity: 1,
    ...starterText(canvas),
    sizePx: Math.round(44 * reach(canvas)),
    template,
    widthPx: Math.round(canvas.widthPx * 0.9),
    pxPerS: Math.round(220 * reach(canvas)),
    gapPx: Math.round(90 * reach(canvas)),
  }
}

/** A plain form in the middle. */
export function starterShape(canvas: Canvas): Shape {
  return {
    kind: 'shape',
    id: 'shape',
    name: 'Shape',
    clip: { start: fromTheStart, end: untilTheEnd() },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * pictureAt), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { motion: 'zoom', ms: 500, easing: null }, exit: leaves },
    opacity: 1,
    form: 'burst',
    widthPx: Math.round(560 * reach(canvas)),
    heightPx: Math.round(560 * reach(canvas)),
    cornerPx: Math.round(24 * reach(canvas)),
    fill: { role: 'plate' },
    stroke: { widthPx: Math.round(8 * reach(canvas)), ink: { role: 'accent' } },
  }
}

/** A prize draw across the middle: four prizes of equal weight, so that it can be tried at once. */
export function starterDraw(canvas: Canvas): DrawPart {
  const size = (px: number) => Math.round(px * reach(canvas))
  const widthPx = Math.min(size(1180), Math.round(canvas.widthPx * 0.94))
  return {
    kind: 'draw',
    id: 'draw',
    name: 'Prize draw',
    clip: { start: fromTheStart, end: { length: 'natural', times: 1 } },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * 0.68), origin: 'centre' },
    ...plainVisible,
    motion: { entrance: { role: 'enter' }, exit: leaves },
    opacity: 1,
    widthPx,
    heightPx: Math.round(widthPx * 0.3),
    prizes: ['First', 'Second', 'Third', 'Fourth'].map((word, index) => ({
      id: `prize-${index + 1}`,
      name: `${word} prize`,
      mediaId: null,
      weight: 1,
    })),
    rare: null,
    slideMs: 6000,
    openMs: 1400,
    showMs: 3000,
    strokes: 4,
    isMirrored: false,
    shelfInk: { role: 'plate' },
    frameInk: { role: 'outline' },
    packetInk: { role: 'body' },
    rareInk: { role: 'accent' },
    peelInk: { role: 'glow' },
    labelInk: { role: 'plate' },
    ink: { role: 'headline' },
    type: { role: 'display' },
    face: { template: 'one of these for {name}', pxPerS: 90 },
    sounds: { stroke: null, open: null, rare: null },
    trimDb: 0,
    landing: { xPx: 0, yPx: -Math.round(widthPx * 0.31), scaleRatio: 1.9 },
  }
}
