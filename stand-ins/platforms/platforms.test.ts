import { describe, expect, it } from 'vitest'
import { sampleEvent, type SampleName } from '../../core/events/sampleEvent.ts'
import { adapterOf } from '../../server/feeds/adapters.ts'
import { platforms } from './platforms.ts'

const cases = Object.entries(platforms).flatMap(([platform, { kinds }]) =>
  kinds.map((kind) => [platform, kind] as const),
)

describe('what a simulated platform says is understood as what it meant', () => {
  it.each(cases)('%s: %s', (platform, kind) => {
    for (const viewer of ['everyday', 'longest', 'emoji', 'rightToLeft', 'markup'] satisfies SampleName[]) {
      const meant = sampleEvent(kind, viewer, Date.UTC(2026, 10, 25, 1))
      const payload = JSON.parse(JSON.stringify(platforms[platform]?.say(meant, `id-${viewer}`))) as unknown
      const heard = adapterOf(platform).translate(payload, 'f')
      expect(heard?.rejected).toEqual([])
      const {
        viewer: by,
        message,
        ...data
      } = meant.data as { viewer: { name: string } | null; message?: { text: string } }
      expect(heard?.events).toMatchObject([{ kind, occurredAtMs: meant.occurredAtMs, data }])
      // Goals have no viewer on a tip page; emotes travel by names that only platforms know.
      if (!kind.startsWith('goal')) expect(heard?.events[0]?.data.viewer?.name).toBe(by?.name)
      if (message && heard?.events[0]?.data.message) expect(heard.events[0].data.message.text).toBe(message.text)
    }
  })
  it('of what never happens there is nothing', () =>
    expect(platforms.cedar?.say(sampleEvent('applause'), 'x')).toBeNull())
})
