import { describe, expect, it } from 'vitest'
import { checkLines, checkSubjects, type CheckedPlace, type CheckFacts } from './checkLines.ts'

const place = (changes: Partial<CheckedPlace> = {}): CheckedPlace => ({
  ...{
    id: 'main',
    name: 'Counter',
    isBoard: false,
    loudness: [],
    unplayable: [],
    sounds: 3,
    cases: 12,
    hasVoice: true,
  },
  sources: [{ remarks: [], isHidden: false }],
  ...changes,
})
const well: CheckFacts = {
  places: [place()],
  feeds: [{ name: 'Alder', unlinkedAtMs: null, lastDeliveryAtMs: 1 }],
  speech: { isOn: true, voices: 4, troubles: [] },
  storage: { freeBytes: 80 * 2 ** 30 },
}
const lineOf = (subject: (typeof checkSubjects)[number], changes: Partial<CheckFacts>) => {
  const found = checkLines({ ...well, ...changes }).find((each) => each.subject === subject)
  if (!found) throw new Error(subject)
  return found
}

describe('the check before a broadcast', () => {
  it('is green where all is well, and says how it is', () => {
    const lines = checkLines(well)
    expect(lines.map(({ subject }) => subject)).toEqual(checkSubjects)
    expect(lines.every(({ state, tasks }) => state === 'fine' && tasks.length === 0)).toBe(true)
    expect(lines.map(({ words }) => words)).toEqual([
      '1 source connected, of the right size and heard.',
      '1 account linked, each has been heard.',
      '4 voices ready to read.',
      '3 sounds, each as loud as its box wants.',
      '12 cases on air, all can play.',
      '80 GiB free where everything is kept.',
    ])
  })

  it('says what to do about sources that are not there, or not as they should be', () => {
    expect(lineOf('sources', { places: [place({ sources: [] })] })).toMatchObject({
      state: 'mend',
      tasks: [{ words: expect.stringContaining('Nothing shows “Counter”') as string, to: '/boxes/main' }],
    })
    // A board that nobody shows may be meant so.
    expect(lineOf('sources', { places: [place({ isBoard: true, sources: [] })] }).state).toBe('look')
    const two = place({
      sources: [
        { remarks: [], isHidden: true },
        { remarks: ['enter width 1920'], isHidden: false },
      ],
    })
    expect(lineOf('sources', { places: [two] }).tasks.map(({ state, words }) => `${state} ${words}`)).toEqual([
      'mend Source 2 of “Counter”: enter width 1920',
      'look Source 1 of “Counter” is not shown just now: its scene is not.',
    ])
  })

  it('tells accounts that are gone from those that only have been silent', () => {
    expect(lineOf('feeds', { feeds: [] }).state).toBe('mend')
    const gone = { name: 'Birch', unlinkedAtMs: 5, lastDeliveryAtMs: 4 }
    const silent = { name: 'Cedar', unlinkedAtMs: null, lastDeliveryAtMs: null }
    expect(lineOf('feeds', { feeds: [silent, gone] }).tasks.map(({ state }) => state)).toEqual(['mend', 'look'])
  })

  it('asks for voices only where something is read', () => {
    const broken = { isOn: true, voices: 0, troubles: [{ engine: 'Flite', reason: 'ended' }] }
    expect(lineOf('voices', { speech: broken })).toMatchObject({ state: 'mend', tasks: [{ to: '/speech' }] })
    expect(lineOf('voices', { speech: { ...broken, voices: 2 } }).state).toBe('look')
    expect(lineOf('voices', { speech: { ...broken, troubles: [] } }).state).toBe('mend')
    expect(lineOf('voices', { speech: { ...broken, isOn: false } }).tasks).toHaveLength(1)
    expect(lineOf('voices', { places: [place({ hasVoice: false })], speech: broken }).state).toBe('fine')
  })

  it('says what is too loud, what cannot play, and that nothing is on air', () => {
    const loud = place({
      loudness: [
        { words: 'the bell peaks', isWrong: true },
        { words: 'the horn is quiet', isWrong: false },
      ],
    })
    expect(lineOf('loudness', { places: [loud] }).tasks.map(({ state, words }) => `${state} ${words}`)).toEqual([
      'mend Counter: the bell peaks',
      'look Counter: the horn is quiet',
    ])
    expect(lineOf('playable', { places: [place({ unplayable: ['Raid has no file'] })] }).state).toBe('mend')
    expect(lineOf('playable', { places: [] }).tasks).toMatchObject([{ state: 'mend', to: '/boxes' }])
  })

  it('counts room by what a broadcast takes', () => {
    const stateWith = (gibibytes: number) => lineOf('storage', { storage: { freeBytes: gibibytes * 2 ** 30 } }).state
    expect([0.2, 3, 5, 500].map(stateWith)).toEqual(['mend', 'look', 'fine', 'fine'])
  })
})
