import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { Alert } from '../../core/composition/box.ts'
import type { Composition } from '../../core/composition/schema.ts'
import { starterCode } from '../../core/composition/starterCode.ts'
import { starterPicture, starterVoice } from '../../core/composition/starterParts.ts'
import { untilTheEnd } from '../../core/composition/untilTheEnd.ts'
import { voicesOf } from '../../core/speech/sayings.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { Part, PartOf } from '../../core/score/parts/part.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { dropFiles, expect } from './fixtures.ts'
import { readBox } from './playerHarness.ts'
import type { DemoFile } from './server.ts'

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 60 }
const video = readFileSync(new URL('../media/files/flash-click.webm', import.meta.url))
/** Done after two seconds, by SMIL and by CSS. */
const drawing = Buffer.from(
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><style>@keyframes grow { to { transform: scale(2) } } circle { animation: grow 2s linear both; transform-origin: 40px 50px; fill: #ffc247 }</style><circle cx="40" cy="50" r="15"/><rect style="fill:#5aa4d6" x="100" y="20" width="20" height="60"><animate attributeName="x" from="100" to="170" dur="2s" fill="freeze"/><animateTransform attributeName="transform" type="rotate" from="0 150 50" to="20 150 50" dur="2s" fill="freeze"/></rect></svg>`,
)
const idOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

const still = {
  entrance: { motion: 'none' as const, ms: 0, easing: null },
  exit: { motion: 'none' as const, ms: 0, easing: null },
}
const picture = (id: string, mediaId: string, xPx: number): PartOf<'picture'> => ({
  ...starterPicture(canvas, mediaId),
  ...{ id, name: id, motion: still, widthPx: 320, heightPx: 180, repeats: 'hold' },
  place: { xPx, yPx: 200, origin: 'centre' },
})
/** Code of one's own in the middle of the canvas. */
export const code = (changes: Partial<PartOf<'code'>>): PartOf<'code'> => ({
  ...starterCode(canvas),
  ...{
    motion: still,
    widthPx: 500,
    heightPx: 300,
    place: { xPx: 640, yPx: 520, origin: 'centre' as const },
    ...changes,
  },
})
export const ownCode = code({
  html: '<p>{name}</p><svg viewBox="0 0 10 10"><path d="M0 0L10 5L0 10Z" fill="var(--accent)"/></svg>',
  css: `body { display: flex; align-items: center; background: color-mix(in srgb, var(--plate) 60%, transparent) }
    p { margin: 0 20px; font: 700 60px var(--display); color: var(--headline); animation: come 2s linear both }
    p::after { content: "!"; color: var(--accent) }
    svg { width: 120px; rotate: calc(min(var(--t), 2) * 45deg) }
    @keyframes come { from { translate: -200px 0; opacity: 0 } to { translate: 0 0; opacity: 1 } }`,
})
export const composed = (parts: Part[]): Composition => ({
  version: 4,
  length: { rule: 'fixed', ms: 7000 },
  parts,
  silenced: [],
})
/** A transparent video with sound, a drawing that moves, code, and a voice. */
export const everything = () =>
  composed([
    picture('flash', idOf(video), 300),
    picture('drawing', idOf(drawing), 900),
    ownCode,
    { ...starterVoice('{name} came by'), clip: { start: { at: 'score.start', offsetMs: 2500 }, end: untilTheEnd() } },
  ])

/** Puts files into the library as a person does, and waits until they are measured. */
export async function bringFiles(page: Page, demo: DemoFile): Promise<void> {
  await page.goto(`${demo.url}/media`)
  await dropFiles(page, 'main input[type=search]', [
    { name: 'flash.webm', bytes: video },
    { name: 'drawing.svg', bytes: drawing },
  ])
  const files = page.getByRole('list', { name: 'Files', exact: true })
  for (const name of [/flash\.webm/, /drawing\.svg/])
    await expect(files.getByRole('button', { name })).toBeVisible({ timeout: 60_000 })
}

/** A composition as it is with a sample. */
export async function resolved(page: Page, demo: DemoFile, composition: Composition): Promise<ResolvedScore> {
  const { document, media } = await readBox(page, demo)
  const result = resolveScore(composition, {
    ...{ canvas, look: document.look, zones: [], event: sampleEvent('follow'), locale: 'en-IE', media },
  })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}

/** An alert for follows with one case. */
export const followWith = (composition: Composition): Alert => ({
  id: 'follow',
  kinds: ['follow'],
  isOn: true,
  offer: null,
  variations: [{ id: 'everyday', name: 'Everyday', rule: null, share: null, composition }],
})

/** Has said what its voices say with a sample: a play of it then has not to wait for them, however busy the machine is. */
export async function haveSaid(page: Page, demo: DemoFile, composition: Composition): Promise<void> {
  const sayings = voicesOf(composition, sampleEvent('follow'), 'en-IE').flatMap((each) => each.sayings)
  const answer = await page.request.post(`${demo.url}/api/channel/speech/say`, { data: { sayings } })
  const { said } = (await answer.json()) as { said: { utterance: unknown }[] }
  expect(said.map(({ utterance }) => utterance)).not.toContain(null)
}
