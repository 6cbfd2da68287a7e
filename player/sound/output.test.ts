import { afterEach, describe, expect, it, vi } from 'vitest'
import type { LoadedSound } from './mix.ts'
import { createSoundOutput } from './output.ts'

/** One call on a gain: what was set or ramped to, and when. */
type Call = [what: string, value: number, atS: number]

/** An audio graph that plays nothing and remembers what it was told. The clock stands at ten seconds. */
function fakeAudio() {
  const gains: Call[][] = []
  const sources: { when: number; offset: number; until: number; loop: boolean }[] = []
  class FakeContext {
    currentTime = 10
    state = 'running'
    outputLatency = 0
    baseLatency = 0
    destination = {}
    getOutputTimestamp = () => ({ contextTime: 10, performanceTime: performance.now() })
    addEventListener() {}
    createGain() {
      const calls: Call[] = []
      gains.push(calls)
      const note = (what: string) => (value: number, atS: number) =>
        void calls.push([what, Math.round(value * 1000) / 1000, Math.round(atS * 100) / 100])
      return {
        gain: {
          value: 1,
          setValueAtTime: note('set'),
          linearRampToValueAtTime: note('ramp'),
          setTargetAtTime: note('target'),
          cancelScheduledValues: () => undefined,
        },
        connect: (next: unknown) => next,
      }
    }
    createBufferSource() {
      const source = { when: 0, offset: 0, until: 0, loop: false }
      sources.push(source)
      return Object.assign(source, {
        connect: (next: unknown) => next,
        start: (when: number, offset: number) => Object.assign(source, { when, offset }),
        stop: (until: number) => Object.assign(source, { until }),
      })
    }
  }
  vi.stubGlobal('AudioContext', FakeContext)
  return { gains, sources }
}
afterEach(() => vi.unstubAllGlobals())

const sound = (changes: Partial<LoadedSound> = {}): LoadedSound => ({
  buffer: { duration: 2 } as AudioBuffer,
  startMs: 1000,
  endMs: 3000,
  gainDb: 0,
  fadeInMs: 0,
  fadeOutMs: 0,
  repeats: false,
  isVoice: false,
  ...changes,
})
const round = (value: number) => Math.round(value * 100) / 100

function scheduled(of: LoadedSound, fromMs = 0) {
  const { gains, sources } = fakeAudio()
  createSoundOutput().schedule([of], fromMs, performance.now())
  // The first gain is the page's own.
  return { calls: gains[1] ?? [], source: sources[0] }
}

describe('a scheduled sound', () => {
  it('starts when its clip does, from its beginning, at its level', () => {
    const { calls, source } = scheduled(sound({ gainDb: -6.0206 }))
    expect([round(source?.when ?? 0), source?.offset, round(source?.until ?? 0)]).toEqual([11, 0, 13])
    expect(calls).toEqual([['set', 0.5, 11]])
  })

  it('that is joined in its middle starts there', () => {
    const { source } = scheduled(sound(), 1500)
    expect([round(source?.when ?? 0), round(source?.offset ?? 0), round(source?.until ?? 0)]).toEqual([10, 0.5, 11.5])
  })

  it('comes up and goes down over its fades', () => {
    expect(scheduled(sound({ fadeInMs: 500, fadeOutMs: 250 })).calls).toEqual([
      ['set', 0, 11],
      ['ramp', 1, 11.5],
      ['set', 1, 12.75],
      ['ramp', 0, 13],
    ])
  })

  it('that is joined in its fade goes on from there', () => {
    const { calls } = scheduled(sound({ fadeInMs: 1000 }), 1250)
    expect(calls).toEqual([
      ['set', 0.25, 10],
      ['ramp', 1, 10.75],
    ])
  })

  it('that is cut off goes down without a click', () => {
    const { calls, source } = scheduled(sound({ endMs: 2200 }))
    expect(round(source?.until ?? 0)).toBe(12.2)
    expect(calls.at(-1)).toEqual(['ramp', 0, 12.2])
  })

  it('that repeats goes on until its clip ends, and is joined at the right place of its round', () => {
    const { source } = scheduled(sound({ repeats: true, endMs: 8000 }), 6500)
    expect([source?.loop, round(source?.offset ?? 0), round(source?.until ?? 0)]).toEqual([true, 1.5, 11.5])
  })

  it('that is over is not started', () => expect(scheduled(sound(), 3200).source).toBeUndefined())
})

describe('sounds with a voice among them', () => {
  const duck = [
    { atMs: 1000, ratio: 1 },
    { atMs: 1500, ratio: 0.25 },
    { atMs: 3000, ratio: 0.25 },
    { atMs: 3500, ratio: 1 },
  ]
  /** The page's own gain, the voices', what goes down for them, then one for each sound. */
  function together(fromMs = 0) {
    const { gains } = fakeAudio()
    const scheduled = createSoundOutput().schedule(
      [sound(), sound({ isVoice: true, startMs: 1500 })],
      fromMs,
      performance.now(),
      duck,
    )
    return { scheduled, voices: gains[1] ?? [], others: gains[2] ?? [], count: gains.length }
  }

  it('go down along the envelope, the voice itself does not', () => {
    const { voices, others, count } = together()
    expect(others).toEqual([
      ['set', 1, 10],
      ['ramp', 1, 11],
      ['ramp', 0.25, 11.5],
      ['ramp', 0.25, 13],
      ['ramp', 1, 13.5],
    ])
    expect([voices, count]).toEqual([[], 5])
  })
  it('joined in the middle go on where they are', () =>
    expect(together(1250).others).toEqual([
      ['set', 0.625, 10],
      ['ramp', 0.25, 10.25],
      ['ramp', 0.25, 11.75],
      ['ramp', 1, 12.25],
    ]))

  it('the voice is silenced in hundredths of a second, the others come back', () => {
    const { scheduled, voices, others } = together()
    scheduled.silenceVoices()
    expect(voices).toEqual([
      ['set', 1, 10],
      ['ramp', 0, 10.03],
    ])
    expect(others.slice(-2)).toEqual([
      ['set', 1, 10],
      ['ramp', 1, 10.25],
    ])
  })
  it('without a voice nothing of this is in the way', () => {
    const { gains } = fakeAudio()
    createSoundOutput().schedule([sound()], 0, performance.now(), duck).silenceVoices()
    expect(gains).toHaveLength(2)
  })
})
