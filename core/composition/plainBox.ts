import { usualPolicy } from '../queue/policy.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { boxVersion, type Alert, type BoxDocument } from './box.ts'
import type { Canvas } from './canvas.ts'

/** A box with the look that every new one begins with, and nothing but alerts. */
export function plainBox(canvas: Canvas, alerts: Alert[]): BoxDocument {
  return {
    version: boxVersion,
    canvas,
    look: lanternLook,
    seasons: [],
    zones: [],
    alerts,
    packs: [],
    design: null,
    policy: usualPolicy,
  }
}
