import type { Particles } from './schema.ts'

/** What a preset sets: how particles fly and what they are. Where, when and how long stays as the person has it. */
export type ParticlePreset = Omit<
  Particles,
  | 'kind'
  | 'id'
  | 'name'
  | 'clip'
  | 'isLocked'
  | 'place'
  | 'motion'
  | 'keyframes'
  | 'opacity'
  | 'rotationDeg'
  | 'isHidden'
  | 'groupId'
  | 'area'
  | 'widthPx'
  | 'heightPx'
  | 'strength'
  | 'seed'
>

export const presetNames = ['scatter', 'embers', 'downfall', 'rosette', 'gust'] as const
export type PresetName = (typeof presetNames)[number]

/** Our own starting points, written for a canvas 1080 high. */
export const particlePresets: Record<PresetName, ParticlePreset> = {
  /** Thrown up from the middle in all colours, tumbling down. */
  scatter: {
    emitter: 'middle',
    count: 160,
    overMs: 250,
    lifeMs: { from: 1800, to: 3200 },
    speedPxPerS: { from: 500, to: 1700 },
    directionDeg: -90,
    spreadDeg: 150,
    gravityPxPerS2: 1500,
    windPxPerS: 0,
    dragPerS: 1.1,
    spinDegPerS: { from: -520, to: 520 },
    sizePx: { from: 14, to: 30 },
    endSizeRatio: 1,
    fadeInRatio: 0,
    fadeOutRatio: 0.3,
    sprites: [
      { from: 'form', form: 'strip', ink: { role: 'accent' } },
      { from: 'form', form: 'square', ink: { role: 'headline' } },
      { from: 'form', form: 'strip', ink: { role: 'body' } },
    ],
  },
  /** Sparks that rise from below, glow and go out. */
  embers: {
    emitter: 'bottomEdge',
    count: 120,
    overMs: 5000,
    lifeMs: { from: 1600, to: 3400 },
    speedPxPerS: { from: 140, to: 460 },
    directionDeg: -90,
    spreadDeg: 50,
    gravityPxPerS2: -90,
    windPxPerS: 30,
    dragPerS: 0.5,
    spinDegPerS: { from: -60, to: 60 },
    sizePx: { from: 10, to: 28 },
    endSizeRatio: 0.3,
    fadeInRatio: 0.15,
    fadeOutRatio: 0.6,
    sprites: [{ from: 'form', form: 'spark', ink: { role: 'accent' } }],
  },
  /** Falls slowly from above over the whole width. */
  downfall: {
    emitter: 'topEdge',
    count: 140,
    overMs: 5000,
    lifeMs: { from: 3500, to: 6000 },
    speedPxPerS: { from: 90, to: 240 },
    directionDeg: 90,
    spreadDeg: 30,
    gravityPxPerS2: 120,
    windPxPerS: 40,
    dragPerS: 0.6,
    spinDegPerS: { from: -140, to: 140 },
    sizePx: { from: 22, to: 48 },
    endSizeRatio: 1,
    fadeInRatio: 0.05,
    fadeOutRatio: 0.2,
    sprites: [{ from: 'form', form: 'star', ink: { role: 'headline' } }],
  },
  /** A ring that opens like a flower and stays a moment. */
  rosette: {
    emitter: 'middle',
    count: 90,
    overMs: 0,
    lifeMs: { from: 1300, to: 1700 },
    speedPxPerS: { from: 820, to: 900 },
    directionDeg: 0,
    spreadDeg: 360,
    gravityPxPerS2: 60,
    windPxPerS: 0,
    dragPerS: 2.6,
    spinDegPerS: { from: 0, to: 0 },
    sizePx: { from: 14, to: 20 },
    endSizeRatio: 0.4,
    fadeInRatio: 0,
    fadeOutRatio: 0.5,
    sprites: [
      { from: 'form', form: 'dot', ink: { role: 'accent' } },
      { from: 'form', form: 'dot', ink: { role: 'headline' } },
    ],
  },
  /** Blown across from the left. */
  gust: {
    emitter: 'leftEdge',
    count: 110,
    overMs: 2600,
    lifeMs: { from: 1400, to: 2600 },
    speedPxPerS: { from: 900, to: 1900 },
    directionDeg: 0,
    spreadDeg: 26,
    gravityPxPerS2: 90,
    windPxPerS: 500,
    dragPerS: 0.5,
    spinDegPerS: { from: -400, to: 400 },
    sizePx: { from: 12, to: 34 },
    endSizeRatio: 0.8,
    fadeInRatio: 0.08,
    fadeOutRatio: 0.3,
    sprites: [
      { from: 'form', form: 'strip', ink: { role: 'body' } },
      { from: 'form', form: 'dot', ink: { role: 'accent' } },
    ],
  },
}
