import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { limitReason, type Reading } from './limitReason.ts'
import { readyRules } from './rules.ts'
import { readSettings, rulesInEffect, usualSettings, type SpeechLimits } from './settings.ts'

const free: SpeechLimits = { leastMinor: 0, whose: 'everyone', perViewer: 0, perViewerMinutes: 10, repeatMinutes: 0 }
const minute = 60_000
const nowMs = 100 * minute
const event = (kind: CanonicalEvent['kind'], roles: string[] = []) => {
  const made = sampleEvent(kind)
  return { ...made, data: { ...made.data, viewer: { id: 'v-1', name: 'MarrowHat', roles } } } as CanonicalEvent
}
const ask = (
  limits: Partial<SpeechLimits>,
  { of = event('tip'), text = 'good evening', amountMinor = 500, recent = [] as Reading[] } = {},
) => limitReason(of, text, amountMinor, { ...free, ...limits }, recent, nowMs)
const reading = (minutesAgo: number, changes: Partial<Reading> = {}): Reading => ({
  eventId: `e-${minutesAgo}`,
  atMs: nowMs - minutesAgo * minute,
  viewerId: 'v-1',
  text: 'something else',
  ...changes,
})

describe('limitReason', () => {
  it('lets everything be read where nothing is limited', () =>
    expect(ask({}, { recent: [reading(1, { text: 'good evening' })] })).toBeNull())

  it('money from an amount on, in the channel’s currency; what is no money is not asked', () => {
    expect(ask({ leastMinor: 501 })).toMatch('amount')
    expect(ask({ leastMinor: 500 })).toBeNull()
    expect(ask({ leastMinor: 500 }, { amountMinor: null as never })).toMatch('amount')
    expect(ask({ leastMinor: 500 }, { of: event('resubscription'), amountMinor: null as never })).toBeNull()
  })
  it.each<[SpeechLimits['whose'], CanonicalEvent['kind'], string[], boolean]>([
    ['subscribers', 'tip', [], false],
    ['subscribers', 'tip', ['subscriber'], true],
    ['subscribers', 'tip', ['Moderator'], true],
    ['subscribers', 'resubscription', [], true],
    ['vips', 'tip', ['subscriber'], false],
    ['vips', 'tip', ['vip'], true],
    ['vips', 'resubscription', [], false],
    ['moderators', 'tip', ['vip'], false],
    ['moderators', 'tip', ['moderator'], true],
  ])('%s: %s by %j is read: %s', (whose, kind, roles, isRead) =>
    expect(ask({ whose }, { of: event(kind, roles) }) === null).toBe(isRead),
  )

  it('one viewer so often within so many minutes; others are not counted, what is longer ago neither', () => {
    const limits = { perViewer: 2, perViewerMinutes: 10 }
    expect(ask(limits, { recent: [reading(1), reading(9)] })).toBe('MarrowHat was read 2 times in 10 minutes.')
    expect(ask(limits, { recent: [reading(1), reading(10)] })).toBeNull()
    expect(
      ask(limits, { recent: [reading(1), reading(2, { viewerId: 'v-2' }), reading(3, { viewerId: null })] }),
    ).toBeNull()
    expect(
      ask(limits, {
        of: { ...event('tip'), data: { ...event('tip').data, viewer: null } } as CanonicalEvent,
        recent: [reading(1, { viewerId: null }), reading(2, { viewerId: null })],
      }),
    ).toBeNull()
  })
  it('the same words once in so many minutes, by whomever, however they are set', () => {
    const recent = [reading(4, { viewerId: 'v-9', text: 'Good  EVENING!!' })]
    expect(ask({ repeatMinutes: 5 }, { recent })).toMatch('The same was read')
    expect(ask({ repeatMinutes: 4 }, { recent })).toBeNull()
  })
})

describe('rulesInEffect', () => {
  it('are the level’s, with the channel’s own words at every level', () => {
    const rules = { ...readyRules.careful, ownBlocked: ['crumb'], figures: 77 }
    expect(rulesInEffect({ strictness: 'strict', rules })).toEqual({ ...readyRules.strict, ownBlocked: ['crumb'] })
    expect(rulesInEffect({ ...usualSettings, strictness: 'own', rules })).toBe(rules)
  })
})

describe('readSettings', () => {
  it('reads what was stored, fills in what an older program did not know, and falls back where nothing fits', () => {
    const { readsEmotes: _since, ...rules } = { ...readyRules.strict, ownBlocked: ['crumb'] }
    expect(readSettings({ ...usualSettings, strictness: 'own', rules })).toEqual({
      ...usualSettings,
      strictness: 'own',
      rules: { ...rules, readsEmotes: usualSettings.rules.readsEmotes },
    })
    expect(readSettings(null)).toEqual(usualSettings)
    expect(readSettings({ ...usualSettings, limits: { perViewer: -3 } })).toEqual(usualSettings)
  })
})
