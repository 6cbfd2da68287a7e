import { randomAt } from '../random.ts'
import { easeOut, spring } from './easing.ts'
import type { LetterMotion, LetterMotionName } from './letters.ts'

/**
 * What happens to one piece of a text. Offsets are ratios of the font size, so that small text moves as large text
 * does.
 */
export interface LetterState {
  offsetX: number
  offsetY: number
  scale: number
  rotationDeg: number
  opacity: number
}

const still: Readonly<LetterState> = { offsetX: 0, offsetY: 0, scale: 1, rotationDeg: 0, opacity: 1 }
const away: Readonly<LetterState> = { offsetX: 0, offsetY: 0, scale: 1, rotationDeg: 0, opacity: 0 }
const settle = spring(0.45)
const turn = Math.PI * 2

/** Written out: one of these is made for every moving letter of every frame. */
function letter(offsetX: number, offsetY: number, scale: number, rotationDeg: number, opacity: number): LetterState {
  return { offsetX, offsetY, scale, rotationDeg, opacity }
}

/** A piece on its way in: progress 0…1. */
type Arrival = (progress: number, strength: number) => LetterState
/**
 * A piece that keeps moving: turns since it began (its fraction is the phase of the round), and a draw 0…1 for this
 * round where it asks for one.
 */
type Going = (turns: number, strength: number, draw: () => number) => LetterState

const arrivals: Partial<Record<LetterMotionName, Arrival>> = {
  typed: () => still,
  rise: (p, s) => letter(0, 0.9 * s * (1 - easeOut(p)), 1, 0, Math.min(1, p / 0.6)),
  tumble: (p, s) => letter(0, -1.1 * s * (1 - settle(p)), 1, -70 * s * (1 - settle(p)), Math.min(1, p / 0.25)),
  bloom: (p, s) => letter(0, 0, Math.max(0, 1 - s * (1 - settle(p))), 0, Math.min(1, p / 0.2)),
}

const goings: Partial<Record<LetterMotionName, Going>> = {
  ripple: (t, s) => letter(0, -0.16 * s * Math.sin(turn * t), 1, 0, 1),
  sway: (t, s) => letter(0, 0, 1, 9 * s * Math.sin(turn * t), 1),
  beat: (t, s) => letter(0, 0, 1 + 0.2 * s * Math.exp(-6 * (t - Math.floor(t))), 0, 1),
  jolt: (_t, s, draw) => {
    const drawn = draw()
    return letter(
      0.07 * s * Math.sin(turn * drawn),
      0.07 * s * Math.cos(turn * drawn * 7),
      1,
      4 * s * (drawn * 2 - 1),
      1,
    )
  },
  glint: (t, s) => letter(0, 0, 1, 0, Math.max(0, 1 - 0.65 * s * (0.5 + 0.5 * Math.cos(turn * t)))),
}

/** How many rounds of drawn values a *jolt* has in one `ms`. */
const joltsPerRound = 8

/** In which place of the row each of `count` pieces has its turn. */
function turnOf(index: number, count: number, order: LetterMotion['order'], seed: number): number {
  if (order === 'start') return index
  if (order === 'end') return count - 1 - index
  if (order === 'centre') return Math.abs(index - (count - 1) / 2)
  return randomAt(seed, index) * (count - 1)
}

/**
 * The pieces of a text at a moment. Pure in all arguments.
 * @param intoMs since the text's clip started
 * @param count how many pieces the text was cut into
 */
export function lettersAt(letters: LetterMotion, intoMs: number, count: number, seed: number): LetterState[] {
  const states: LetterState[] = []
  const arrival = arrivals[letters.motion]
  const going = goings[letters.motion]
  for (let index = 0; index < count; index++) {
    const ownMs = intoMs - turnOf(index, count, letters.order, seed) * letters.staggerMs
    if (arrival && ownMs < 0) states.push(away)
    else if (arrival) states.push(ownMs >= letters.ms ? still : arrival(ownMs / letters.ms, letters.strength))
    else if (going) {
      const round = Math.floor((ownMs / letters.ms) * joltsPerRound)
      states.push(going(ownMs / letters.ms, letters.strength, () => randomAt(seed, index * 4096 + round)))
    } else states.push(still)
  }
  return states
}

/** How long after the clip's start the last piece has come; 0 for motions that go on. Milliseconds. */
export function arrivedAfterMs(letters: LetterMotion, count: number): number {
  if (!arrivals[letters.motion] || count === 0) return 0
  const last = letters.order === 'centre' ? (count - 1) / 2 : count - 1
  return Math.ceil(last * letters.staggerMs + (letters.motion === 'typed' ? 0 : letters.ms))
}
