import { describe, expect, it } from 'vitest'
import { placeOf } from './placeOf.ts'

const waiting = (before: number) => ({ state: 'waiting' as const, outcome: null, before })
const ended = (outcome: 'played' | 'expired' | 'skipped') => ({ state: 'over' as const, outcome, before: 0 })

describe('where the alert of a tip is', () => {
  it('says what is soonest of all boxes that show it', () => {
    expect(placeOf([])).toBeNull()
    expect(placeOf([waiting(4), waiting(1)])).toEqual({ is: 'waiting', before: 1 })
    expect(placeOf([waiting(0), { ...waiting(0), state: 'playing' }])).toEqual({ is: 'onAir' })
    expect(placeOf([ended('expired'), waiting(2)])).toEqual({ is: 'waiting', before: 2 })
    expect(placeOf([ended('played'), waiting(2)])).toEqual({ is: 'shown' })
    expect(placeOf([ended('expired'), ended('skipped')])).toEqual({ is: 'notShown' })
  })
})
