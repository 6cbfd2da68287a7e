import { describe, expect, it } from 'vitest'
import type { DeskView, ForecastView, PlayView } from '../../../contract/views.ts'
import { detailWords, lineWords, nameWords, whenWords, whyWords } from './waitWords.ts'

const play = { enqueuedAtMs: 1_000, together: 12 } as PlayView
const waits = (why: ForecastView['why'], startsAtMs: number | null = null): ForecastView => ({
  playId: 'p',
  startsAtMs,
  why,
})

describe('what the desk says of a play that waits', () => {
  it('is when it begins, or for how long it has waited', () => {
    expect(whenWords(waits({ because: 'turn' }, 14_000), play, 4_000)).toBe('in 10 s')
    expect(whenWords(waits({ because: 'held' }), play, 4_000)).toBe('3 s so far')
    expect(whenWords(waits({ because: 'showing', untilMs: 9 }), play, 4_000)).toBe('for you')
  })
  it('is who else is shown with it', () => {
    expect([nameWords(play), nameWords({ together: 1 })]).toEqual([' and 11 more', ''])
  })
  it('is how many they are, or what it brings', () => {
    const follow = { kind: 'follow', detail: '', variationName: 'Everyday' } as PlayView
    expect(detailWords({ ...follow, together: 12 })).toBe('12 follows as one')
    expect(detailWords({ ...follow, together: 1 })).toBe('Everyday')
    expect(detailWords({ ...follow, together: 1, detail: '€25.00' })).toBe('€25.00')
  })
  it('is why', () => {
    expect(whyWords(waits({ because: 'turn' }), 0, false)).toBe('It is next.')
    expect(whyWords(waits({ because: 'turn' }), 0, true)).toBe('After the one that plays.')
    expect(whyWords(waits({ because: 'turn' }), 4, true)).toBe('5 are before it.')
    expect(whyWords(waits({ because: 'quiet', why: '“Back in five” is shown' }), 0, false)).toBe(
      'It is quiet: “Back in five” is shown.',
    )
  })
  it('is of the line as a whole how late its last is, or what keeps it', () => {
    const desk = { isHeld: false, sources: [{}], waitingCount: 2 } as DeskView
    const line = (...forecast: ForecastView[]) => lineWords({ ...desk, forecast }, 1_000)
    expect(line(waits({ because: 'turn' }, 31_000), waits({ because: 'reading', untilMs: 0 }))).toBe('last one in 30 s')
    expect(line(waits({ because: 'showing', untilMs: 0 }))).toBe('waiting for you')
    expect(lineWords({ ...desk, forecast: [], sources: [] }, 0)).toBe('waiting for a source')
    expect(lineWords({ ...desk, forecast: [], isHeld: true }, 0)).toBe('held')
    expect(lineWords({ ...desk, forecast: [], waitingCount: 0 }, 0)).toBe('')
  })
})
