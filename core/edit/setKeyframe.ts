import type { KeyedProperty } from '../motion/keyframes.ts'
import type { VisiblePart } from '../score/parts/part.ts'

/** Frames so near to each other count as one: less than a frame at 60 a second. */
const sameMs = 8

/** Sets the value of a property at a moment of the clip, replacing the frame that stands there. */
export function setKeyframe(part: VisiblePart, property: KeyedProperty, atMs: number, value: number): void {
  let track = part.keyframes.find((each) => each.property === property)
  if (!track) {
    track = { property, frames: [] }
    part.keyframes.push(track)
  }
  const { frames } = part.keyframes[part.keyframes.indexOf(track)] ?? track
  const there = frames.find((frame) => Math.abs(frame.atMs - atMs) < sameMs)
  if (there) there.value = value
  else {
    frames.push({ atMs, value, easing: 'easeInOut' })
    frames.sort((a, b) => a.atMs - b.atMs)
  }
}

/** Takes the frame at a moment away; a track without frames goes too. */
export function removeKeyframe(part: VisiblePart, property: KeyedProperty, atMs: number): void {
  for (const track of part.keyframes)
    if (track.property === property)
      track.frames = track.frames.filter((frame) => Math.abs(frame.atMs - atMs) >= sameMs)
  part.keyframes = part.keyframes.filter((track) => track.frames.length > 0)
}
