import * as z from 'zod'
import { maxScoreMs } from '../composition/clip.ts'
import { easingSpec } from './easingSpec.ts'

export const maxFramesPerTrack = 200

/**
 * What can be keyed. Offsets are canvas pixels added to the place; scale, opacity, saturation and brightness multiply;
 * angles add.
 */
export const keyedProperties = [
  'offsetX',
  'offsetY',
  'scale',
  'rotationDeg',
  'opacity',
  'hueDeg',
  'saturation',
  'brightness',
] as const
export const keyedProperty = z.enum(keyedProperties)
export type KeyedProperty = z.infer<typeof keyedProperty>

/** A value at a moment of the clip; the easing leads to it from the frame before. */
const keyframe = z.object({
  atMs: z.int().min(0).max(maxScoreMs),
  value: z.number().min(-16_000).max(16_000),
  easing: easingSpec,
})
export type Keyframe = z.infer<typeof keyframe>

const keyframeTrack = z
  .object({
    property: keyedProperty,
    frames: z.array(keyframe).min(1).max(maxFramesPerTrack, `a track holds at most ${maxFramesPerTrack} keyframes`),
  })
  .refine(
    (track) => track.frames.every((frame, index) => index === 0 || frame.atMs > (track.frames[index - 1]?.atMs ?? 0)),
    {
      message: 'keyframes stand in order of time, each at a moment of its own',
      path: ['frames'],
    },
  )
export type KeyframeTrack = z.infer<typeof keyframeTrack>

/** At most one track for each property. */
export const keyframeTracks = z
  .array(keyframeTrack)
  .max(keyedProperties.length)
  .refine(
    (tracks) => new Set(tracks.map((track) => track.property)).size === tracks.length,
    'each property has one track at most',
  )
