import { describe, expect, it } from 'vitest'
import { adapterOf } from '../server/feeds/adapters.ts'
import { platforms } from './platforms/platforms.ts'
import { played, scripts } from './scripts.ts'

const nowMs = Date.UTC(2026, 10, 25, 1)
const all = Object.entries(scripts).flatMap(([platform, list]) => list.map((script) => [platform, script] as const))

describe('a script of a simulated platform', () => {
  it.each(all)('%s says only what its adapter understands: $id', (platform, script) => {
    const ids = played(script, 'run', nowMs).map(({ event, id }) => {
      const payload = JSON.parse(JSON.stringify(platforms[platform]?.say(event, id))) as unknown
      const heard = adapterOf(platform).translate(payload, 'f')
      expect(heard?.rejected).toEqual([])
      expect(heard?.events).toHaveLength(1)
      expect(heard?.events[0]).toMatchObject({ kind: event.kind, occurredAtMs: event.occurredAtMs })
      return heard?.events[0]?.externalId
    })
    const repeats = script.steps.filter(({ isRepeat }) => isRepeat).length
    expect(new Set(ids).size).toBe(script.steps.length - repeats)
  })
  it('is another happening each time it is played', () => {
    const [gifts] = scripts.alder ?? []
    if (!gifts) throw new Error('Alder has one')
    const idsOf = (run: string) => played(gifts, run, nowMs).map(({ id }) => id)
    expect(idsOf('a').some((id) => idsOf('b').includes(id))).toBe(false)
    const groups = played(gifts, 'a', nowMs).map(({ event }) => ('groupId' in event.data ? event.data.groupId : ''))
    expect(new Set(groups)).toEqual(new Set(['tray-5-a']))
  })
  it('sends an older thing after a newer one where it says so', () => {
    const disorder = scripts.cedar?.find(({ id }) => id === 'disorder')
    const times = disorder ? played(disorder, 'r', nowMs).map(({ event }) => event.occurredAtMs) : []
    expect(times).toEqual([...times].sort((a, b) => b - a))
    expect(times[0]).toBe(nowMs)
  })
})
