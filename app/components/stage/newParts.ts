import {
  Image,
  MessageSquareText,
  MoveHorizontal,
  RectangleHorizontal,
  Shapes,
  Speech,
  Type,
  Volume2,
} from '@lucide/vue'
import type { Component } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import {
  starterBackdrop,
  starterLine,
  starterMessage,
  starterParticles,
  starterPicture,
  starterShape,
  starterSound,
  starterTicker,
  starterVoice,
} from '../../../core/composition/starterParts.ts'
import type { Part } from '../../../core/parts/part.ts'
import { presetNames, type PresetName } from '../../../core/parts/particles/presets.ts'

interface NewPart {
  name: string
  /** Beside its mark. */
  short: string
  icon: Component
  make: (canvas: Canvas, parts: readonly Part[]) => Part
}

const wordIds = (parts: readonly Part[]) =>
  parts.filter((part) => part.kind === 'line' || part.kind === 'message').map((part) => part.id)

/** What can be added, in the order in which people think of it. */
export const newParts: readonly NewPart[] = [
  {
    name: 'Add a line of text',
    short: 'Text',
    icon: Type,
    make: (canvas) => ({ ...starterLine(canvas, 'headline', '{name}'), id: 'line', name: 'Line' }),
  },
  {
    name: 'Add the viewer’s message',
    short: 'Message',
    icon: MessageSquareText,
    make: (canvas) => starterMessage(canvas),
  },
  { name: 'Add a picture', short: 'Picture', icon: Image, make: (canvas) => starterPicture(canvas, null) },
  { name: 'Add a sound', short: 'Sound', icon: Volume2, make: () => starterSound(null) },
  { name: 'Add a voice that reads', short: 'Voice', icon: Speech, make: () => starterVoice() },
  {
    name: 'Add a backdrop behind the text',
    short: 'Backdrop',
    icon: RectangleHorizontal,
    make: (canvas, parts) => starterBackdrop(canvas, wordIds(parts)),
  },
  { name: 'Add a shape', short: 'Shape', icon: Shapes, make: (canvas) => starterShape(canvas) },
  {
    name: 'Add a running line',
    short: 'Running line',
    icon: MoveHorizontal,
    make: (canvas) => starterTicker(canvas, '{name} · {name} · {name}'),
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
