import type { Page } from '@playwright/test'
import type { DemoFile } from './server.ts'

/** An event of the channel with what was decided about it, as the outside contract gives it. */
export interface DecidedEvent {
  id: string
  kind: string
  source: string
  externalId: string
  isTest: boolean
  data: object
  decisions: { boxId: string; variationName: string | null; reason: string }[]
}

/** Every event of the channel, oldest first. */
export async function eventsOf(page: Page, demo: DemoFile): Promise<DecidedEvent[]> {
  const all: DecidedEvent[] = []
  for (let after = 0; ;) {
    const answer = await page.request.get(`${demo.url}/api/events?after=${after}&limit=500`, {
      headers: { authorization: `Bearer ${demo.apiKey}` },
    })
    const { events, nextAfter } = (await answer.json()) as { events: DecidedEvent[]; nextAfter: number }
    if (events.length === 0) return all
    all.push(...events)
    after = nextAfter
  }
}
