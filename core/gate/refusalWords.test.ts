import { describe, expect, it } from 'vitest'
import { refusals } from './askGate.ts'
import { refusalSaid, refusalWords, waitWords, type Refused } from './refusalWords.ts'
import { openGate } from './schema.ts'

const words = { points: { one: 'crumb', many: 'crumbs' }, timeZone: 'Europe/Lisbon', locale: 'en-IE' }
const nowMs = Date.UTC(2026, 10, 28, 20)
const refused = (reason: Refused['reason'], detail = '', retryAtMs: number | null = null): Refused => ({
  is: 'refused',
  reason,
  detail,
  retryAtMs,
})
const said = (of: Refused, gate = openGate) => refusalWords(of, gate, nowMs, words)

describe('how long still', () => {
  it('is rounded up, so that nobody comes too early', () => {
    expect([1, 43_001, 60_000, 61_000, 3_540_001, 3_600_000, 5_400_000].map(waitWords)).toEqual([
      '1 s',
      '44 s',
      '1 min',
      '2 min',
      '1 h',
      '1 h',
      '1 h 30 min',
    ])
  })
})

describe('a refusal', () => {
  it('says in one sentence what is in the way, whatever it is', () => {
    for (const reason of refusals) expect(said(refused(reason, '3', nowMs + 1000))).toMatch(/^[A-Z0-9].*\.$/)
    expect(said(refused('hours', '', Date.UTC(2026, 10, 28, 22)))).toBe('This opens Saturday 22:00.')
    expect(said(refused('scene'), { ...openGate, scenes: ['Bench cam', 'Street window', 'Oven cam'] })).toBe(
      'Only while Bench cam, Street window or Oven cam is shown.',
    )
    expect(said(refused('cooldown', '', nowMs + 43_000))).toBe('Not so soon: again in 43 s.')
    expect(['1', '1200'].map((missing) => said(refused('cost', missing)))).toEqual([
      '1 crumb is missing.',
      '1,200 crumbs are missing.',
    ])
  })

  it('is told in the channel’s own words, in which a viewer’s name stays a name', () => {
    const tell = (template: string, of: Refused) => refusalSaid(template, '{wait} <b>', of, openGate, nowMs, words)
    expect(tell('the oven is shut for {wait}', refused('cooldown', '', nowMs + 9000))).toBe('the oven is shut for 9 s')
    expect(tell('{name}: {reason}', refused('stock'))).toBe('{wait} <b>: There are none left.')
    expect(tell('the oven is shut for {wait}', refused('stock'))).toBe('the oven is shut for')
    expect(tell('  ', refused('stock'))).toBeNull()
  })
})
