import type { Canvas } from '../../../core/composition/canvas.ts'
import {
  starterBackdrop,
  starterDraw,
  starterLine,
  starterMessage,
  starterParticles,
  starterPicture,
  starterShape,
  starterSound,
  starterTicker,
  starterVoice,
} from '../../../core/composition/starterParts.ts'
import { starterCode } from '../../../core/composition/starterCode.ts'
import { newLive } from '../../../core/board/starterLive.ts'
import { isTextPart, type Part, type PartKind } from '../../../core/score/parts/part.ts'
import { canBeHugged } from '../../../core/score/shownKinds.ts'
import { presetNames, type PresetName } from '../../../core/score/parts/particles/presets.ts'

interface NewPart {
  name: string
  /** Beside its kind's mark. */
  short: string
  kind: PartKind
  make: (canvas: Canvas, parts: readonly Part[]) => Part
}

const wordIds = (parts: readonly Part[]) =>
  parts.filter((part) => isTextPart(part) && canBeHugged(part)).map((part) => part.id)

/** What can be added, in the order in which people think of it. */
export const newParts: readonly NewPart[] = [
  {
    name: 'Add a line of text',
    short: 'Text',
    kind: 'line',
    make: (canvas) => ({ ...starterLine(canvas, 'headline', '{name}'), id: 'line', name: 'Line' }),
  },
  {
    name: 'Add the viewer’s message',
    short: 'Message',
    kind: 'message',
    make: (canvas) => starterMessage(canvas),
  },
  { name: 'Add a picture', short: 'Picture', kind: 'picture', make: (canvas) => starterPicture(canvas, null) },
  { name: 'Add a sound', short: 'Sound', kind: 'sound', make: () => starterSound(null) },
  { name: 'Add a voice that reads', short: 'Voice', kind: 'voice', make: () => starterVoice() },
  {
    name: 'Add a backdrop behind the text',
    short: 'Backdrop',
    kind: 'backdrop',
    make: (canvas, parts) => starterBackdrop(canvas, wordIds(parts)),
  },
  { name: 'Add a shape', short: 'Shape', kind: 'shape', make: (canvas) => starterShape(canvas) },
  {
    name: 'Add a running line',
    short: 'Running line',
    kind: 'ticker',
    make: (canvas) => starterTicker(canvas, '{name} · {name} · {name}'),
  },
  { name: 'Add a prize draw', short: 'Prize draw', kind: 'draw', make: (canvas) => starterDraw(canvas) },
  { name: 'Add code of your own', short: 'Code', kind: 'code', make: (canvas) => starterCode(canvas) },
]

/** What can be added to a board: what stays, and what is kept up to date. */
export const newBoardParts: readonly NewPart[] = [
  {
    name: 'Add a line of text',
    short: 'Text',
    kind: 'line',
    make: (canvas) => ({ ...starterLine(canvas, 'second', 'tonight'), id: 'line', name: 'Line' }),
  },
  { name: 'Add a goal bar', short: 'Goal bar', kind: 'bar', make: (canvas) => newLive('bar', canvas) },
  { name: 'Add a list of what happened', short: 'List', kind: 'list', make: (canvas) => newLive('list', canvas) },
  { name: 'Add chat', short: 'Chat', kind: 'chat', make: (canvas) => newLive('chat', canvas) },
  { name: 'Add who gave most', short: 'Top', kind: 'top', make: (canvas) => newLive('top', canvas) },
  { name: 'Add a count', short: 'Count', kind: 'tally', make: (canvas) => newLive('tally', canvas) },
  { name: 'Add a clock', short: 'Clock', kind: 'clock', make: (canvas) => newLive('clock', canvas) },
  { name: 'Add a sponsor’s line', short: 'Sponsor', kind: 'sponsor', make: (canvas) => newLive('sponsor', canvas) },
  ...newParts.filter(({ kind }) => ['picture', 'backdrop', 'shape'].includes(kind)),
  {
    name: 'Add a running line',
    short: 'Running line',
    kind: 'ticker',
    make: (canvas) => starterTicker(canvas, 'the night shift is baking'),
  },
]

const presetWords: Record<PresetName, { label: string; means: string }> = {
  scatter: { label: 'Scatter', means: 'thrown up, tumbling down' },
  embers: { label: 'Embers', means: 'sparks that rise and go out' },
  downfall: { label: 'Downfall', means: 'falls slowly over the whole width' },
  rosette: { label: 'Rosette', means: 'a ring that opens' },
  gust: { label: 'Gust', means: 'blown across from the left' },
}
export const newParticles = presetNames.map((name) => ({
  name,
  ...presetWords[name],
  make: (canvas: Canvas) => starterParticles(canvas, name),
}))
