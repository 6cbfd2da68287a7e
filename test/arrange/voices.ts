import { expect, type Page } from '@playwright/test'
import type { Alert } from '../../core/composition/box.ts'
import { starterMessage, starterVoice } from '../../core/composition/starterParts.ts'
import { usualSettings, type SpeechSettings } from '../../core/speech/settings.ts'
import { shortAlert } from './boxOnAir.ts'
import type { DemoFile } from './server.ts'

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 30 }

/** A tip that says who left how much, and reads and lights what they wrote. Nothing else of it is heard. */
export function spokenAlert(): Alert {
  const alert = shortAlert('tip')
  for (const { composition } of alert.variations) {
    composition.length = { rule: 'fit', minMs: 2500, maxMs: 45_000 }
    composition.parts.push(
      { ...starterMessage(canvas), readAlong: { ink: { own: '#FF0000' }, keeps: true } },
      starterVoice('{name} left {amount}', { at: 'score.start', offsetMs: 0 }),
    )
  }
  return alert
}

let tips = 0

/** Somebody tips and writes something. */
export async function tip(page: Page, demo: DemoFile, name: string, text: string, amountMinor = 500): Promise<void> {
  const id = `voice-${process.pid}-${tips++}`
  const data = {
    specversion: '1.0',
    id,
    source: 'test',
    type: 'thundercrest.event.tip.v1',
    time: new Date().toISOString(),
    data: { viewer: { id: `v-${name}`, name }, amountMinor, currency: 'EUR', message: { text } },
  }
  const answer = await page.request.post(`${demo.url}/api/events`, {
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    data: JSON.stringify(data),
  })
  expect(await answer.json()).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
}

/** Sets how the channel reads aloud, for a signed-in owner. */
export async function setSpeech(page: Page, demo: DemoFile, changes: Partial<SpeechSettings>): Promise<void> {
  expect(
    (await page.request.put(`${demo.url}/api/channel/speech`, { data: { ...usualSettings, ...changes } })).status(),
  ).toBe(200)
}

/**
 * Waits until whoever speaks here has started and spoken once: on a machine full of tests that takes longer than a play
 * waits.
 */
export async function untilVoicesSpeak(page: Page, demo: DemoFile): Promise<void> {
  const answer = await page.request.post(`${demo.url}/api/channel/speech/say`, {
    data: { sayings: [{ of: 'line', written: 'good morning', emotes: [], voice: null }] },
  })
  expect(await answer.json()).toMatchObject({ said: [{ trouble: null }] })
}

/** How loud each tenth of a second of a recording is, as amplitude. */
export function loudness(samples: Float32Array, rateHz: number): number[] {
  const size = Math.round(rateHz / 10)
  return Array.from({ length: Math.floor(samples.length / size) }, (_, at) =>
    Math.sqrt(samples.subarray(at * size, (at + 1) * size).reduce((sum, sample) => sum + sample * sample, 0) / size),
  )
}
