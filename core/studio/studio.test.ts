import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextStudioMs, noStudio, stepStudio, type StudioInput, type StudioState } from './studio.ts'

const scenes = ['Oven cam', 'Bench cam', 'Street window', 'Back in five']

/** A studio at the other end of a link that takes its time, in both directions. */
class SimulatedStudio {
  shows = 'Bench cam'
  isCut = true
  nowMs = 0
  state: StudioState = noStudio
  readonly unsent: string[] = []
  private toStudio: string[] = []
  private toUs: string[] = []

  input(input: StudioInput): void {
    const { state, commands } = stepStudio(this.state, input, this.nowMs)
    this.state = state
    for (const command of commands)
      if (command.type === 'show') this.toStudio.push(command.value)
      else this.unsent.push(command.reason)
  }

  link(): void {
    if (!this.isCut) return
    this.isCut = false
    this.input({ type: 'linked', shows: { programme: this.shows } })
  }

  cut(): void {
    if (this.isCut) return
    this.isCut = true
    this.toStudio = []
    this.toUs = []
    this.input({ type: 'gone' })
  }

  hold(id: string, value: string, forMs: number): void {
    this.input({ type: 'held', id, thing: 'programme', value, untilMs: this.nowMs + forMs })
  }

  hand(value: string): void {
    if (this.shows !== value) this.switch(value)
  }

  pass(ms: number): void {
    const untilMs = this.nowMs + ms
    for (let endMs = nextStudioMs(this.state); endMs !== null && endMs <= untilMs; endMs = nextStudioMs(this.state)) {
      this.nowMs = Math.max(this.nowMs, endMs)
      this.input({ type: 'ticked' })
    }
    this.nowMs = untilMs
  }

  /** The next command reaches the studio. @returns whether there was one */
  command(): boolean {
    const value = this.toStudio.shift()
    if (value !== undefined && this.shows !== value) this.switch(value)
    else if (value !== undefined) this.toUs.push(value)
    return value !== undefined
  }

  /** The next report reaches us. @returns whether there was one */
  report(): boolean {
    const value = this.toUs.shift()
    if (value !== undefined) this.input({ type: 'changed', thing: 'programme', value })
    return value !== undefined
  }

  /** Everything is delivered, and every hold has ended. */
  settle(): void {
    this.link()
    for (let isBusy = true; isBusy;) {
      while (this.command() || this.report());
      const endMs = nextStudioMs(this.state)
      isBusy = endMs !== null
      if (endMs !== null) this.pass(Math.max(0, endMs - this.nowMs))
    }
    while (this.command() || this.report());
  }

  private switch(value: string): void {
    this.shows = value
    if (!this.isCut) this.toUs.push(value)
  }
}

type Act = (studio: SimulatedStudio, index: number) => void
const hold = fc.record({ value: fc.constantFrom(...scenes), forMs: fc.integer({ min: 1, max: 20_000 }) }).map(
  ({ value, forMs }): Act =>
    (studio, index) =>
      studio.hold(`h${index}`, value, forMs),
)
const stop = fc.nat(20).map(
  (of): Act =>
    (studio) =>
      studio.input({ type: 'stopped', ids: [`h${of}`] }),
)
const pass = fc.nat(12_000).map(
  (ms): Act =>
    (studio) =>
      studio.pass(ms),
)
const command = fc.constant<Act>((studio) => void studio.command())
const report = fc.constant<Act>((studio) => void studio.report())
const cut = fc.constant<Act>((studio) => studio.cut())
const link = fc.constant<Act>((studio) => studio.link())

function started(): SimulatedStudio {
  const studio = new SimulatedStudio()
  studio.link()
  return studio
}

describe('what is held of a studio', () => {
  it('two in a row hold one after another, and give back what was there', () => {
    const studio = started()
    studio.hold('a', 'Oven cam', 15_000)
    studio.settle()
    expect(studio.shows).toBe('Bench cam')
    studio.hold('a', 'Oven cam', 15_000)
    studio.hold('b', 'Street window', 5000)
    while (studio.command() || studio.report());
    expect(studio.shows).toBe('Street window')
    studio.pass(5000)
    while (studio.command() || studio.report());
    expect(studio.shows).toBe('Oven cam')
    studio.input({ type: 'stopped', ids: ['a'] })
    while (studio.command() || studio.report());
    expect(studio.shows).toBe('Bench cam')
  })

  it('gives back what was there before, however late words arrive and however often the link is cut', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(hold, stop, pass, command, report, cut, link), { maxLength: 60 }), (acts) => {
        const studio = started()
        acts.forEach((act, index) => act(studio, index))
        studio.settle()
        expect(studio.shows).toBe('Bench cam')
        expect(nextStudioMs(studio.state)).toBeNull()
        expect(studio.state.wanted).toEqual({})
      }),
      { numRuns: 500 },
    )
  })

  it('gives way to a hand: what the person chose last stays, however late that is heard', () => {
    const hand = fc
      .constantFrom(...scenes)
      .map((value): Act & { chose: string } =>
        Object.assign((studio: SimulatedStudio) => studio.hand(value), { chose: value }),
      )
    fc.assert(
      fc.property(
        fc.array(fc.oneof(hold, stop, pass, command, report, hand), { maxLength: 60 }),
        hand,
        fc.array(fc.oneof(pass, command, report), { maxLength: 20 }),
        (before, last, after) => {
          const studio = started()
          ;[...before].forEach((act, index) => act(studio, index))
          studio.settle()
          const wasThere = studio.shows
          studio.hold('late', scenes.find((scene) => scene !== last.chose && scene !== wasThere) ?? '', 9000)
          last(studio, 0)
          for (const act of after) act(studio, 0)
          studio.settle()
          expect(studio.shows).toBe(last.chose)
        },
      ),
      { numRuns: 500 },
    )
  })

  it('whose scene is gone, or that is away, says what could not be asked', () => {
    const studio = started()
    studio.input({ type: 'held', id: 'x', thing: 'source:Flour cloud', value: 'shown', untilMs: 8000 })
    expect(studio.unsent).toEqual(['the studio has no such source'])
    studio.cut()
    studio.hold('a', 'Oven cam', 3000)
    expect(studio.unsent.at(-1)).toBe('the studio is away')
    studio.pass(3000)
    studio.link()
    expect(studio.command()).toBe(false)
    expect(studio.shows).toBe('Bench cam')
    studio.input({ type: 'changed', thing: 'programme', value: null })
    expect(stepStudio(studio.state, { type: 'set', thing: 'programme', value: 'Oven cam' }, 0).commands).toMatchObject([
      { type: 'unsent', reason: 'no studio is linked' },
    ])
  })
})
