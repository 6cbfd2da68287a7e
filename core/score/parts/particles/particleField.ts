import { randomAt } from '../../../random.ts'
import type { ResolvedParticles } from './resolveParticles.ts'

/** Numbers kept for each particle, one after another in one array. */
export const fieldStride = 9
const BORN = 0
const LIFE = 1
const X = 2
const Y = 3
const VX = 4
const VY = 5
const TURN = 6
const SPIN = 7
const SIZE = 8
const drawsEach = 12

/**
 * What is drawn once for each particle (birth, life, begin, velocity, turn, spin, size): a function of the seed and the
 * particle's number alone. Ordered by birth. `count × 9` numbers.
 */
export function particleField(part: ResolvedParticles): Float64Array {
  const field = new Float64Array(part.count * fieldStride)
  for (let index = 0; index < part.count; index++) {
    const draw = (which: number) => randomAt(part.seed, index * drawsEach + which)
    const between = (span: { from: number; to: number }, which: number) =>
      span.from + (span.to - span.from) * draw(which)
    const at = index * fieldStride
    const [x, y] = beginning(part, draw(0), draw(1))
    const speed = between(part.speedPxPerS, 2)
    const angle = ((part.directionDeg + (draw(3) - 0.5) * part.spreadDeg) * Math.PI) / 180
    // Even spacing in time with a little disorder: never two orders of birth, so that the array stays sorted.
    field[at + BORN] = part.overMs === 0 ? 0 : ((index + draw(4) * 0.98) / part.count) * part.overMs
    field[at + LIFE] = between(part.lifeMs, 5)
    field[at + X] = x
    field[at + Y] = y
    field[at + VX] = Math.cos(angle) * speed
    field[at + VY] = Math.sin(angle) * speed
    field[at + TURN] = draw(6) * 360
    field[at + SPIN] = between(part.spinDegPerS, 7)
    field[at + SIZE] = between(part.sizePx, 8)
  }
  return field
}

/** Which sprite a particle shows. */
export function spriteOf(part: ResolvedParticles, index: number): number {
  return Math.floor(randomAt(part.seed, index * drawsEach + 9) * part.sprites.length)
}

function beginning({ area, emitter }: ResolvedParticles, u: number, v: number): [number, number] {
  switch (emitter) {
    case 'middle':
      return [area.xPx + area.widthPx / 2, area.yPx + area.heightPx / 2]
    case 'everywhere':
      return [area.xPx + u * area.widthPx, area.yPx + v * area.heightPx]
    case 'topEdge':
      return [area.xPx + u * area.widthPx, area.yPx]
    case 'bottomEdge':
      return [area.xPx + u * area.widthPx, area.yPx + area.heightPx]
    case 'leftEdge':
      return [area.xPx, area.yPx + v * area.heightPx]
    case 'rightEdge':
      return [area.xPx + area.widthPx, area.yPx + v * area.heightPx]
  }
}

/** One particle in flight. Canvas pixels and degrees. */
export interface Flying {
  index: number
  xPx: number
  yPx: number
  turnDeg: number
  sizePx: number
  opacity: number
}

/**
 * Calls `draw` for each particle that lives at `intoMs`, oldest first, with one object used again and again. Closed
 * form: with drag k, x(t) = x₀ + w·t + (v − w)·(1 − e^(−kt))/k where w is the wind; gravity g falls at its end speed
 * g/k, or freely for k = 0. So any moment costs the same and needs none before it. Linear in the number of particles.
 */
export function flyingAt(
  part: ResolvedParticles,
  field: Float64Array,
  intoMs: number,
  draw: (particle: Flying) => void,
): void {
  const particle: Flying = { index: 0, xPx: 0, yPx: 0, turnDeg: 0, sizePx: 0, opacity: 0 }
  const k = part.dragPerS
  for (let index = 0; index < part.count; index++) {
    const at = index * fieldStride
    const bornMs = field[at + BORN] as number
    if (bornMs > intoMs) break
    const lifeMs = field[at + LIFE] as number
    const ageMs = intoMs - bornMs
    if (ageMs >= lifeMs) continue
    const t = ageMs / 1000
    const slowed = k > 0.001 ? (1 - Math.exp(-k * t)) / k : t
    const fallen = k > 0.001 ? (part.gravityPxPerS2 / k) * (t - slowed) : (part.gravityPxPerS2 * t * t) / 2
    const wind = k > 0.001 ? part.windPxPerS : 0
    const lived = ageMs / lifeMs
    particle.index = index
    particle.xPx = (field[at + X] as number) + wind * (t - slowed) + (field[at + VX] as number) * slowed
    particle.yPx = (field[at + Y] as number) + (field[at + VY] as number) * slowed + fallen
    particle.turnDeg = (field[at + TURN] as number) + (field[at + SPIN] as number) * t
    particle.sizePx = (field[at + SIZE] as number) * (1 + (part.endSizeRatio - 1) * lived)
    particle.opacity = Math.min(
      part.fadeInRatio > 0 ? lived / part.fadeInRatio : 1,
      part.fadeOutRatio > 0 ? (1 - lived) / part.fadeOutRatio : 1,
      1,
    )
    draw(particle)
  }
}
