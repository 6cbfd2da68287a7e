import type { EasingSpec, easingNames } from './easingSpec.ts'

/** Maps progress 0…1 to eased progress; 0 → 0 and 1 → 1, and may overshoot between. */
export type Easing = (progress: number) => number

export const linear: Easing = (progress) => progress

/**
 * CSS's cubic-bezier(x1, y1, x2, y2) with x1 and x2 in 0…1, solved for x by eight Newton steps with bisection where the
 * slope is too flat; error below 1e-6.
 */
export function cubicBezier(x1: number, y1: number, x2: number, y2: number): Easing {
  const curve = (a: number, b: number, t: number) => ((1 - 3 * b + 3 * a) * t + (3 * b - 6 * a)) * t * t + 3 * a * t
  const slope = (a: number, b: number, t: number) => 3 * (1 - 3 * b + 3 * a) * t * t + 2 * (3 * b - 6 * a) * t + 3 * a
  return (progress) => {
    if (progress <= 0) return 0
    if (progress >= 1) return 1
    let t = progress
    for (let step = 0; step < 8; step++) {
      const error = curve(x1, x2, t) - progress
      if (Math.abs(error) < 1e-7) return curve(y1, y2, t)
      const gradient = slope(x1, x2, t)
      if (Math.abs(gradient) < 1e-4) break
      t -= error / gradient
    }
    let low = 0
    let high = 1
    for (let step = 0; step < 40; step++) {
      t = (low + high) / 2
      if (curve(x1, x2, t) < progress) low = t
      else high = t
    }
    return curve(y1, y2, t)
  }
}

/**
 * An under-damped spring in closed form: 1 − e^(−ζωt)·(cos ω_d t + (ζω/ω_d)·sin ω_d t), with ω chosen so that the
 * envelope has fallen to 0.1 % at progress 1: the stated length is where it really rests. Exactly 1 at the end.
 * @param dampingRatio ζ in (0, 1); smaller swings more.
 */
export function spring(dampingRatio: number): Easing {
  const omega = Math.log(1000) / dampingRatio
  const damped = omega * Math.sqrt(1 - dampingRatio * dampingRatio)
  return (progress) => {
    if (progress <= 0) return 0
    if (progress >= 1) return 1
    const envelope = Math.exp(-dampingRatio * omega * progress)
    return (
      1 - envelope * (Math.cos(damped * progress) + ((dampingRatio * omega) / damped) * Math.sin(damped * progress))
    )
  }
}

/** Falls and bounces: parabolas of a quarter, an eighth and a sixteenth of the height after the first fall. */
export const bounce: Easing = (progress) => {
  if (progress <= 0) return 0
  if (progress >= 1) return 1
  // Landing times of a ball whose flights last 1, 1, 1/2·√2 … scaled so that the last one ends at 1.
  const arcs = [
    { from: -0.4, to: 0.4, height: 1 },
    { from: 0.4, to: 0.74, height: 0.2 },
    { from: 0.74, to: 0.92, height: 0.06 },
    { from: 0.92, to: 1, height: 0.012 },
  ]
  for (const arc of arcs) {
    if (progress > arc.to) continue
    const middle = (arc.from + arc.to) / 2
    const half = (arc.to - arc.from) / 2
    const across = (progress - middle) / half
    return 1 - arc.height * (1 - across * across)
  }
  return 1
}

export const easeOut = cubicBezier(0.16, 0.84, 0.3, 1)
export const easeIn = cubicBezier(0.7, 0, 0.84, 0.16)
export const easeInOut = cubicBezier(0.65, 0, 0.35, 1)
const overshoot = cubicBezier(0.3, 1.56, 0.56, 1)

const named: Record<(typeof easingNames)[number], Easing> = { linear, easeOut, easeIn, easeInOut, overshoot, bounce }
const made = new Map<string, Easing>()

/** The easing that a specification means. Made once for each; the same specification gives the same function. */
export function easingOf(spec: EasingSpec): Easing {
  if (typeof spec === 'string') return named[spec]
  const key = JSON.stringify(spec)
  const known = made.get(key)
  if (known) return known
  const easing = makeEasing(spec)
  if (made.size > 500) made.clear()
  made.set(key, easing)
  return easing
}

function makeEasing(spec: Exclude<EasingSpec, string>): Easing {
  if ('bezier' in spec) return cubicBezier(...spec.bezier)
  if ('damping' in spec) return spring(spec.damping)
  if ('steps' in spec) return (progress) => Math.min(1, Math.max(0, Math.floor(progress * spec.steps) / spec.steps))
  const { levels } = spec
  return (progress) => {
    const at = Math.min(1, Math.max(0, progress)) * (levels.length - 1)
    const index = Math.min(levels.length - 2, Math.floor(at))
    const from = levels[index] ?? 0
    return from + ((levels[index + 1] ?? from) - from) * (at - index)
  }
}
