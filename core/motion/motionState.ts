/** What motion does to a part at one moment: a phase and keyframes together. All of it is neutral at rest. */
export interface MotionState {
  /** Canvas pixels at a canvas whose shorter side is 1080; scaled with it. */
  offsetX: number
  offsetY: number
  /** How far towards lying wholly outside the canvas: −1 left / top, 1 right / bottom, 0 in place. */
  outX: number
  outY: number
  scale: number
  rotationDeg: number
  opacity: number
  blurPx: number
  /** How much of the box is cut away at each side, 0…1. */
  cutTop: number
  cutRight: number
  cutBottom: number
  cutLeft: number
}

/**
 * A neutral state to be changed. Written out: copying by spread costs several times as much, sixty times a second for
 * every part.
 */
export function neutralState(): MotionState {
  return {
    offsetX: 0,
    offsetY: 0,
    outX: 0,
    outY: 0,
    scale: 1,
    rotationDeg: 0,
    opacity: 1,
    blurPx: 0,
    cutTop: 0,
    cutRight: 0,
    cutBottom: 0,
    cutLeft: 0,
  }
}

export const atRest: Readonly<MotionState> = neutralState()
