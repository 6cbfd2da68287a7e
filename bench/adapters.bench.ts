// Events a second that each platform's payloads are turned into, from their text, fifty things to a delivery.
import { adapters } from '../server/feeds/adapters.ts'
import { payloads } from '../test/feeds/payloads.ts'
import { report } from './report.ts'
import { perSecond, whole } from './timing.ts'

const perDelivery = 50

/** One payload with the things of many: the list in it, wherever the platform keeps it. */
function joined(all: readonly object[]): string {
  const copy = structuredClone(all[0]) as Record<string, unknown>
  const listOf = (payload: Record<string, unknown>): unknown[] => {
    const [inside] = Object.values(payload)
    return Array.isArray(inside) ? (inside as unknown[]) : listOf(inside as Record<string, unknown>)
  }
  const list = listOf(copy)
  const things = all.flatMap((payload) => listOf(payload as Record<string, unknown>))
  list.length = 0
  for (let index = 0; index < perDelivery; index++) list.push(things[index % things.length])
  return JSON.stringify(copy)
}

const measured = []
for (const adapter of Object.values(adapters)) {
  const text = joined((payloads[adapter.platform] ?? []).map(({ payload }) => payload))
  const understood = adapter.translate(JSON.parse(text), 'f')
  if (understood?.events.length !== perDelivery)
    throw new Error(`${adapter.platform} understood ${understood?.events.length} of ${perDelivery}`)
  const ours = await perSecond(() => adapter.translate(JSON.parse(text), 'f'))
  const parse = await perSecond(() => JSON.parse(text) as unknown)
  measured.push({
    what: adapter.platform,
    figures: {
      'events a second': whole(ours * perDelivery),
      'JSON.parse alone': whole(parse * perDelivery),
      'bytes an event': whole(text.length / perDelivery),
    },
  })
}
report('adapters', measured)
