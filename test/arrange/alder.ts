import { deliver } from './cedar.ts'
import type { DemoFile } from './server.ts'

/** Delivers a redemption to the demo's Alder feed as the platform does. @param id a ULID */
export async function redeem(demo: DemoFile, reward: string, id: string, by: string): Promise<Response> {
  const entry = {
    id,
    topic: 'points.redeemed',
    moment: new Date().toISOString(),
    person: { uid: `al-${by}`, handle: by },
    detail: { reward: { id: 'crust', name: reward, price: 1500 } },
  }
  const feeds = demo.feeds.filter(({ platform }) => platform === 'alder')
  return deliver({ ...demo, feeds }, JSON.stringify({ entries: [entry] }), { platform: 'alder' })
}
