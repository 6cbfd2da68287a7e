import { expect, type Page } from '@playwright/test'
import type { Alert } from '../../core/composition/box.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { DemoFile } from './server.ts'

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 30 }

/** An alert without any file that lasts half a second. */
export function shortAlert(kind: EventKind): Alert {
  const alert = starterAlert(kind, canvas, { pictureId: null, soundId: null })
  for (const { composition } of alert.variations) {
    composition.length = { rule: 'fixed', ms: 500 }
    composition.parts = composition.parts
      .filter(({ id }) => id === 'headline')
      .map((part) => ({ ...part, clip: { ...part.clip, start: { at: 'score.start', offsetMs: 0 } } }))
  }
  return alert
}

/** A new box with these alerts on air that shows everything one by one, for a signed-in owner. @returns its id and its source's address */
export async function boxOnAir(
  page: Page,
  demo: DemoFile,
  name: string,
  alerts: readonly Alert[],
): Promise<{ id: string; sourceUrl: string }> {
  const made = await page.request.post(`${demo.url}/api/boxes`, { data: { name, canvas } })
  const { id } = (await made.json()) as { id: string }
  const path = `${demo.url}/api/boxes/${id}`
  const saved = await page.request.patch(`${path}/draft`, {
    data: {
      baseRevision: 0,
      patches: [
        { op: 'replace', path: ['alerts'], value: alerts },
        { op: 'replace', path: ['policy'], value: [] },
      ],
    },
  })
  expect([saved.status(), await saved.text()]).toEqual([200, '{"revision":1}'])
  expect((await page.request.post(`${path}/versions`, { data: { revision: 1 } })).status()).toBe(201)
  const { url } = (await (await page.request.get(`${path}/address`)).json()) as { url: string }
  return { id, sourceUrl: url }
}
