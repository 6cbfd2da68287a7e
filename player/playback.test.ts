import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ResolvedScore } from '../core/score/resolved.ts'
import { playScore } from './playback.ts'
import type { PreparedScore } from './preparedScore.ts'
import type { LoadedSound } from './sound/mix.ts'
import type { SoundOutput } from './sound/output.ts'
import type { Stage } from './stage.ts'

/** A page with a clock and frames of our own: 60 per second while `isVisible`. */
function page() {
  const clock = { nowMs: 1000, isVisible: true }
  let frames: FrameRequestCallback[] = []
  vi.stubGlobal('performance', { now: () => clock.nowMs })
  vi.stubGlobal('requestAnimationFrame', (callback: FrameRequestCallback) => frames.push(callback))
  vi.stubGlobal('cancelAnimationFrame', () => (frames = []))
  const run = (ms: number) => {
    for (let passed = 0; passed < ms; passed++) {
      clock.nowMs += 1
      vi.advanceTimersByTime(1)
      if (!clock.isVisible || clock.nowMs % 16 !== 0) continue
      const due = frames
      frames = []
      due.forEach((callback) => callback(clock.nowMs))
    }
  }
  return { clock, run }
}

function arrange(state: 'on' | 'blocked' = 'on') {
  const drawn: { tMs: number; atMs: number }[] = []
  const scheduled: { fromMs: number; startsAtMs: number }[] = []
  const silence = vi.fn()
  const hush = vi.fn()
  const stage = {
    seek: (tMs: number) => drawn.push({ tMs, atMs: performance.now() }),
    clear: vi.fn(),
    mount: vi.fn(),
  } as unknown as Stage
  const output = {
    state: () => state,
    leadMs: () => 30,
    schedule: (_sounds: LoadedSound[], fromMs: number, startsAtMs: number) => {
      scheduled.push({ fromMs, startsAtMs })
      return { stop: silence, silenceVoices: hush }
    },
  } as unknown as SoundOutput
  const prepared = { score: { lengthMs: 2000 } as ResolvedScore, sounds: [{} as LoadedSound] } as PreparedScore
  return { stage, output, prepared, drawn, scheduled, silence, hush }
}

describe('playScore', () => {
  beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('begins picture and sound within one frame of each other', () => {
    const { run } = page()
    const { stage, output, prepared, drawn, scheduled } = arrange()
    playScore(stage, prepared, output, 0, { onEnded: () => undefined })
    run(200)
    const soundAtMs = scheduled[0]?.startsAtMs ?? 0
    const first = drawn[0]
    expect((first?.atMs ?? 0) - soundAtMs).toBeGreaterThanOrEqual(0)
    expect((first?.atMs ?? 0) - soundAtMs).toBeLessThanOrEqual(1000 / 60)
    // Every later frame shows the moment that is heard.
    for (const frame of drawn) expect(frame.tMs).toBe(Math.round(frame.atMs - soundAtMs))
  })

  it('joins a running play at its moment, sound included', () => {
    const { run } = page()
    const { stage, output, prepared, drawn, scheduled } = arrange()
    playScore(stage, prepared, output, 1500, { onEnded: () => undefined })
    run(100)
    expect(scheduled).toMatchObject([{ fromMs: 1500 }])
    expect(drawn[0]?.tMs).toBeGreaterThanOrEqual(1500)
    expect(drawn[0]?.tMs).toBeLessThan(1520)
  })

  it('plays without sound where the browser blocks it, without waiting for it', () => {
    const { run } = page()
    const { stage, output, prepared, drawn, scheduled } = arrange('blocked')
    playScore(stage, prepared, output, 0, { onEnded: () => undefined })
    run(40)
    expect(scheduled).toEqual([])
    expect(drawn.length).toBeGreaterThan(0)
  })

  it('says once that it started and once that it ended, and clears the stage', () => {
    const { run } = page()
    const { stage, output, prepared } = arrange()
    const [onStarted, onEnded] = [vi.fn(), vi.fn()]
    playScore(stage, prepared, output, 0, { onStarted, onEnded })
    run(5000)
    expect(onStarted).toHaveBeenCalledOnce()
    expect(onEnded).toHaveBeenCalledOnce()
    expect(stage.clear).toHaveBeenCalled()
  })

  it('ends by time on a page that gets no frames', () => {
    const { clock, run } = page()
    clock.isVisible = false
    const { stage, output, prepared, drawn } = arrange()
    const [onStarted, onEnded] = [vi.fn(), vi.fn()]
    playScore(stage, prepared, output, 0, { onStarted, onEnded })
    run(2100)
    expect(onEnded).not.toHaveBeenCalled()
    run(100)
    expect([onStarted.mock.calls.length, onEnded.mock.calls.length, drawn.length]).toEqual([1, 1, 0])
  })

  it('silences voices alone: the picture goes on to its end', () => {
    const { run } = page()
    const { stage, output, prepared, silence, hush } = arrange()
    const onEnded = vi.fn()
    const playback = playScore(stage, prepared, output, 0, { onEnded })
    run(300)
    playback.silenceVoices()
    run(2500)
    expect([hush.mock.calls.length, silence.mock.calls.length, onEnded.mock.calls.length]).toEqual([1, 0, 1])
  })

  it('stops picture and sound at once and says nothing more', () => {
    const { run } = page()
    const { stage, output, prepared, drawn, silence } = arrange()
    const onEnded = vi.fn()
    const playback = playScore(stage, prepared, output, 0, { onEnded })
    run(300)
    playback.stop()
    const before = drawn.length
    run(3000)
    expect(silence).toHaveBeenCalledOnce()
    expect(drawn).toHaveLength(before)
    expect(onEnded).not.toHaveBeenCalled()
  })
})
