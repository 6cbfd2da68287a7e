import { copyOf } from '../copyOf.ts'
import type { Part } from '../score/parts/part.ts'
import { isTextPart, isVisiblePart } from '../score/parts/part.ts'

const textFields = [
  'type',
  'sizePx',
  'floorPx',
  'fit',
  'maxLines',
  'align',
  'lineHeight',
  'letterSpacingEm',
  'isUpperCase',
  'ink',
  'highlightInk',
  'outline',
  'shadow',
  'readAlong',
] as const

/** Fields that make up the style of each kind that is no text: how it looks, not what it is, where or when. */
const styleFields: Partial<Record<Part['kind'], readonly string[]>> = {
  picture: ['fit', 'isMirrored', 'colour'],
  backdrop: ['paddingPx', 'cornerPx', 'ink'],
  shape: ['cornerPx', 'fill', 'stroke'],
  particles: [
    'emitter',
    'count',
    'overMs',
    'lifeMs',
    'speedPxPerS',
    'directionDeg',
    'spreadDeg',
    'gravityPxPerS2',
    'windPxPerS',
    'dragPerS',
    'spinDegPerS',
    'sizePx',
    'endSizeRatio',
    'fadeInRatio',
    'fadeOutRatio',
    'sprites',
    'strength',
  ],
  draw: [
    'isMirrored',
    'strokes',
    'slideMs',
    'openMs',
    'showMs',
    'shelfInk',
    'frameInk',
    'packetInk',
    'rareInk',
    'peelInk',
    'labelInk',
    'ink',
    'type',
  ],
  sound: ['trimDb', 'isLevelled', 'fadeInMs', 'fadeOutMs'],
  voice: ['trimDb', 'duckDb', 'pauseMs', 'lineVoice', 'messageVoice'],
}

/** Whether the style of one part means anything to another: texts share theirs, others need the same kind. */
export function takesStyle(from: Part, to: Part): boolean {
  return (isTextPart(from) && isTextPart(to)) || from.kind === to.kind
}

/**
 * Gives a part the style of another; nothing happens where it would mean nothing. Opacity goes along between visible
 * parts.
 */
export function pasteStyle(from: Part, to: Part): void {
  if (!takesStyle(from, to)) return
  const fields = isTextPart(from) ? textFields : (styleFields[from.kind] ?? [])
  const source = new Map(Object.entries(from))
  Object.assign(to, copyOf(Object.fromEntries(fields.map((field) => [field, source.get(field)]))))
  if (isVisiblePart(from) && isVisiblePart(to)) to.opacity = from.opacity
}

/** Gives a visible part the motion of another: entrance, exit, keyframes, and letters between texts. */
export function pasteMotion(from: Part, to: Part): void {
  if (!isVisiblePart(from) || !isVisiblePart(to)) return
  to.motion = copyOf(from.motion)
  to.keyframes = copyOf(from.keyframes)
  if (isTextPart(from) && isTextPart(to)) to.letters = copyOf(from.letters)
}
