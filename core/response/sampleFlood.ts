import type { BoxDocument } from '../composition/box.ts'
import { chosenBy } from '../composition/box.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { Arrival } from '../queue/flood.ts'
import { randomAt } from '../random.ts'
import { plainCircumstances } from '../rules/circumstances.ts'
import { decide } from '../decisions/decide.ts'
import { factsOf, type FactsChannel } from './playFacts.ts'
import { lengthFor } from './scoreFor.ts'

/** How a flood of the kind that every channel has once is made up: a raid, those who stay and follow, and a burst of gifts. */
const made = { follows: 118, followsWithinMs: 100_000, gifts: 50, giftsFromMs: 105_000, giftsWithinMs: 50_000, tips: 3 }

/**
 * What a box would have to show in a flood that never was: the same every time, as the box would decide it. Kinds for which it
 * has no alert are left out.
 * @param document whose cases and lengths count
 */
export function sampleFlood(document: BoxDocument, channel: FactsChannel): Arrival[] {
  const events: { atMs: number; event: CanonicalEvent }[] = []
  const add = (atMs: number, kind: 'raid' | 'follow' | 'giftBatch' | 'giftRecipient' | 'tip', data: object) => {
    const sample = sampleEvent(kind, 'everyday', atMs)
    const { message: _unwritten, ...plain } = sample.data
    const viewer = { id: `v-${events.length}`, name: `viewer ${events.length}` }
    const event = {
      ...sample,
      externalId: `flood-${events.length}`,
      data: { ...plain, viewer, ...data },
    } as CanonicalEvent
    events.push({ atMs, event })
  }
  add(0, 'raid', { partySize: made.follows + 40 })
  for (let at = 0; at < made.follows; at++)
    // Most come at once, the last of them late.
    add(Math.round(2_000 + made.followsWithinMs * randomAt(1, at) ** 1.6), 'follow', {})
  add(made.giftsFromMs, 'giftBatch', { count: made.gifts, groupId: 'tray' })
  for (let at = 0; at < made.gifts; at++)
    add(Math.round(made.giftsFromMs + made.giftsWithinMs * randomAt(2, at)), 'giftRecipient', { groupId: 'tray' })
  for (let at = 0; at < made.tips; at++)
    add(Math.round(30_000 + 40_000 * at), 'tip', { amountMinor: [2000, 300, 2500][at] ?? 300 })
  events.sort((a, b) => a.atMs - b.atMs)
  return events.flatMap(({ atMs, event }, at): Arrival[] => {
    const alert = document.alerts.find(({ kinds, isOn }) => isOn && kinds.includes(event.kind))
    const { variation } = decide(event, plainCircumstances, document, channel)
    if (!alert || !variation || !chosenBy(alert).includes(variation)) return []
    const of = { event, receivedAtMs: atMs, document, variation, channel }
    const length = lengthFor(of)
    if (!length.ok) return []
    const facts = factsOf({ ...of, alertId: alert.id, lengthMs: length.value, isTest: false })
    return [{ atMs, ticket: { playId: `flood-${at}`, enqueuedAtMs: atMs, lengthMs: length.value, facts } }]
  })
}
