import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterDraw, starterLine, starterVoice } from '../../../composition/starterParts.ts'
import type { Composition } from '../../../composition/schema.ts'
import { sampleEvent } from '../../../events/sampleEvent.ts'
import { lanternLook } from '../../../look/lanternLook.ts'
import { voicesOf } from '../../../speech/sayings.ts'
import { plainText } from '../../../text/textPiece.ts'
import { resolveScore } from '../../resolve.ts'
import type { ResolvedScore } from '../../resolved.ts'
import { sceneAt } from '../../sceneAt.ts'
import { eventSeed } from '../../valuesIn.ts'
import { drawnPrize, drawPrize, oddsOf } from './drawnPrize.ts'
import type { DrawState } from './evaluateDraw.ts'
import type { ResolvedDraw } from './resolveDraw.ts'
import { draw, type DrawPart } from './schema.ts'
import { passedBy, strokesOf } from './strokes.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 as const }
const soundId = 'a'.repeat(64)
const crust: DrawPart = draw.parse({
  ...starterDraw(canvas),
  prizes: [
    { id: 'croissant', name: 'Croissant', mediaId: null, weight: 3 },
    { id: 'rye', name: 'Rye', mediaId: null, weight: 3 },
    { id: 'bun', name: 'Bun', mediaId: null, weight: 4 },
    { id: 'pretzel', name: 'Pretzel', mediaId: null, weight: 2 },
    { id: 'golden', name: 'Golden crust', mediaId: null, weight: 9 },
  ],
  rare: { prizeId: 'golden', percent: 4 },
})
const eventOf = (externalId: string) => ({ ...sampleEvent('redemption'), externalId })
const compositionOf = (...parts: Composition['parts']): Composition => ({
  version: 4,
  length: { rule: 'fit', minMs: 500, maxMs: 40_000 },
  parts,
  silenced: [],
})
function settled(part: DrawPart, externalId = 'one', ...others: Composition['parts']): ResolvedScore {
  const score = resolveScore(compositionOf(part, ...others), {
    canvas,
    look: lanternLook,
    zones: [],
    event: eventOf(externalId),
    locale: 'en-IE',
    media: {
      [soundId]: { url: '/s', mime: 'audio/wav', durationMs: 300, level: null },
    },
  })
  if (!score.ok) throw new Error(score.error.type)
  return score.value
}
const drawIn = ({ parts }: ResolvedScore) => parts.find((part): part is ResolvedDraw => part.kind === 'draw')!
const stateAt = (score: ResolvedScore, tMs: number) => sceneAt(score, new Map(), tMs).visuals[0] as DrawState

describe('odds', () => {
  it('are by weight, and of the rare one what it says', () => {
    const odds = oddsOf(crust)
    expect(odds[4]).toBeCloseTo(0.04)
    expect(odds[2]).toBeCloseTo((0.96 * 4) / 12)
    expect(odds.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1)
    expect(oddsOf({ ...crust, rare: null })[4]).toBeCloseTo(9 / 21)
    expect(oddsOf({ ...crust, rare: { prizeId: 'gone', percent: 50 } })[4]).toBeCloseTo(9 / 21)
  })

  it('are held over a hundred thousand events', () => {
    const count = 100_000
    const drawn = crust.prizes.map(() => 0)
    for (let at = 0; at < count; at++) drawn[drawPrize(crust, eventSeed(eventOf(`r-${at}`)))]! += 1
    const chiSquared = oddsOf(crust).reduce(
      (sum, ratio, at) => sum + ((drawn[at] ?? 0) - ratio * count) ** 2 / (ratio * count),
      0,
    )
    // Four degrees of freedom: beyond this once in a thousand.
    expect(chiSquared).toBeLessThan(18.47)
  })
})

describe('the strokes', () => {
  it('follow each other, grow slower, and end with a single packet', () => {
    for (let count = 1; count <= 12; count++) {
      const strokes = strokesOf(count)
      expect(strokes[0]?.from).toBe(0)
      expect(strokes.at(-1)).toMatchObject({ until: 1, pushed: 1, packets: 1 })
      for (const [at, stroke] of strokes.entries()) {
        const next = strokes[at + 1]
        if (!next) continue
        expect(next.from).toBe(stroke.until)
        expect(next.before).toBe(stroke.before + stroke.packets)
        expect(next.until - next.from).toBeGreaterThan(stroke.until - stroke.from)
        expect(next.packets).toBeLessThanOrEqual(stroke.packets)
      }
    }
  })
})

describe('the motion', () => {
  it('lands on what was drawn, whichever event it is', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 20 }), fc.integer({ min: 1, max: 12 }), (id, strokes) => {
        const part = { ...crust, strokes }
        const score = settled(part, id)
        const { row, drawnAt, prizes, slidUntilMs, strokes: made } = drawIn(score)
        expect(prizes[row[drawnAt] ?? -1]?.name).toBe(drawnPrize(part, eventSeed(eventOf(id)))?.name)
        expect(stateAt(score, slidUntilMs)).toMatchObject({ passed: passedBy(made), lifted: 0 })
        for (let at = 1; at < row.length; at++) expect(row[at]).not.toBe(row[at - 1])
        expect(row.length).toBeGreaterThanOrEqual(drawnAt + 3)
      }),
      { numRuns: 60 },
    )
  })

  it('slides without a jump and never back, then lifts, then opens', () => {
    const score = settled(crust)
    const { slideFromMs, openUntilMs, endMs } = drawIn(score)
    let before = stateAt(score, slideFromMs)
    for (let tMs = slideFromMs; tMs < endMs; tMs += 4) {
      const state = stateAt(score, tMs)
      expect(state.passed).toBeGreaterThanOrEqual(before.passed)
      expect(state.passed - before.passed).toBeLessThan(0.15)
      expect(Math.abs(state.peel - before.peel)).toBeLessThan(0.2)
      if (state.opened > 0) expect(state.lifted).toBe(1)
      before = state
    }
    expect(stateAt(score, openUntilMs)).toMatchObject({ lifted: 1, opened: 1 })
  })

  it('takes as long as it says, and goes faster where its clip is shorter', () => {
    const score = settled(crust)
    const { entrance, exit } = drawIn(score)
    expect(score.lengthMs).toBe(entrance.ms + 6000 + 1400 + 3000 + exit.ms)
    const short = settled({ ...crust, clip: { ...crust.clip, end: { length: 'fixed', ms: 4000 } } })
    const { openUntilMs, endMs, exit: leaving } = drawIn(short)
    expect(openUntilMs).toBeLessThan(endMs - leaving.ms)
    expect(stateAt(short, openUntilMs).opened).toBe(1)
  })
})

describe('what was drawn', () => {
  it('stands in words and is said by voices', () => {
    const line = { ...starterLine(canvas, 'headline', '{prize} for {name}'), id: 'line' }
    const voice = { ...starterVoice('it is {prize}'), id: 'voice' }
    for (const id of ['a', 'b', 'c', 'd']) {
      const prize = drawnPrize(crust, eventSeed(eventOf(id)))?.name
      const shown = settled(crust, id, line).parts.find((part) => part.kind === 'line')
      expect(shown && 'pieces' in shown && plainText(shown.pieces)).toBe(`${prize} for pip_rye`)
      const [said] = voicesOf(compositionOf(crust, voice), eventOf(id), 'en-IE')
      expect(said?.sayings[0]?.written).toBe(`it is ${prize}`)
    }
  })

  it('is heard: each stroke, and the opening', () => {
    const sounds = { stroke: soundId, open: soundId, rare: null }
    const score = settled({ ...crust, sounds, trimDb: -3 })
    const heard = score.parts.filter((part) => part.kind === 'sound')
    expect(heard.map(({ id }) => id)).toEqual([...[1, 2, 3, 4].map((number) => `draw.stroke-${number}`), 'draw.open'])
    expect(heard.every(({ gainDb }) => gainDb === -3)).toBe(true)
    const { slideFromMs, slidUntilMs, openUntilMs } = drawIn(score)
    expect(heard[0]?.startMs).toBe(slideFromMs)
    expect(heard[4]?.startMs).toBeGreaterThan(slidUntilMs)
    expect(heard[4]?.startMs).toBeLessThan(openUntilMs)
    expect(score.media[soundId]?.url).toBe('/s')
  })
})
