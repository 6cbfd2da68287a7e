import { describe, expect, it } from 'vitest'
import { dueTimes } from './dueTimes.ts'
import { newTrigger } from './schema.ts'

const at = (text: string) => Date.parse(text)
const midnight = {
  ...newTrigger('bell', 'Bell'),
  isArmed: true,
  starts: [{ by: 'time' as const, minute: 23 * 60 + 30, weekdays: [0, 1, 2, 3, 4] }],
}

describe('triggers of a given time', () => {
  it('are set off once in their minute, on their days, by the channel’s clock', () => {
    // 24 November 2026 is a Tuesday; Lisbon is on UTC in winter.
    const due = dueTimes([midnight], at('2026-11-24T23:29:10Z'), at('2026-11-24T23:31:00Z'), 'Europe/Lisbon')
    expect(due).toEqual([{ triggerId: 'bell', atMs: at('2026-11-24T23:30:00Z') }])
    expect(dueTimes([midnight], at('2026-11-24T23:30:00Z'), at('2026-11-24T23:31:00Z'), 'Europe/Lisbon')).toEqual([])
    expect(dueTimes([midnight], at('2026-11-28T23:29:00Z'), at('2026-11-28T23:31:00Z'), 'Europe/Lisbon')).toEqual([])
    expect(dueTimes([midnight], at('2026-11-24T22:29:00Z'), at('2026-11-24T22:31:00Z'), 'Europe/Madrid')).toHaveLength(
      1,
    )
  })

  it('are let go after five minutes, and while they are not armed', () => {
    const late = [at('2026-11-24T23:00:00Z'), at('2026-11-24T23:40:00Z')] as const
    expect(dueTimes([midnight], ...late, 'Europe/Lisbon')).toEqual([])
    const now = [at('2026-11-24T23:29:00Z'), at('2026-11-24T23:30:00Z')] as const
    expect(dueTimes([{ ...midnight, isArmed: false }], ...now, 'Europe/Lisbon')).toEqual([])
  })
})
