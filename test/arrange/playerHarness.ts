import type { Page } from '@playwright/test'
import { build } from 'esbuild'
import { PNG } from 'pngjs'
import pixelmatch from 'pixelmatch'
import type { BoxDocument } from '../../core/composition/box.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import { sampleEvent, type SampleName } from '../../core/events/sampleEvent.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import { dressAt } from '../../core/look/seasons.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { TextLayout } from '../../core/text/textLayout.ts'
import { factsOf } from '../../contract/mediaFacts.ts'
import type { MediaView } from '../../contract/views.ts'
import type { DemoFile } from './server.ts'

const entry = `
import { createStage } from './player/stage.ts'
import { fontUses, prepareScore } from './player/prepare.ts'
import { expose } from './player/camera/expose.ts'
import { develop } from './player/camera/develop.ts'
import { fontFilesOf } from './player/camera/fontFiles.ts'
import { playScore } from './player/playback.ts'
// Functions that are sent to the page were named by the compiler of whoever sent them.
globalThis.__name ??= (named) => named
globalThis.harness = {
  async load(score) {
    this.clear()
    this.stage = createStage(document.body)
    this.prepared = await prepareScore(score, null)
    this.stage.mount(this.prepared)
    return this.prepared.missing
  },
  /** How the texts of many scores are fitted, without drawing them. */
  async layouts(scores) {
    const prepared = []
    for (const score of scores) prepared.push([...(await prepareScore(score, null)).layouts])
    return prepared
  },
  clear() {
    this.stage?.clear()
    this.stage?.root.remove()
  },
  async show(tMs) {
    if (!this.stage.holds(this.prepared)) this.stage.mount(this.prepared)
    this.stage.seek(tMs)
    await this.stage.settled()
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
  },
  async runTo(tMs, framesPerSecond) {
    this.stage.mount(this.prepared)
    for (let at = 0; at < tMs; at += 1000 / framesPerSecond) this.stage.seek(Math.round(at), { isRunning: true })
    await this.show(tMs)
  },
  /** A picture of the stage as it is at a moment, over the colour of the page, as it would be kept in a proof. */
  async photograph(tMs) {
    const { score } = this.prepared
    const size = { widthPx: score.canvas.widthPx, heightPx: score.canvas.heightPx }
    const scene = this.stage.seek(tMs)
    await this.stage.settled()
    const exposure = expose(this.stage.root, scene, score.canvas, size)
    const whole = async ({ url }) => {
      const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer())
      let text = ''
      for (const byte of bytes) text += String.fromCharCode(byte)
      return btoa(text)
    }
    const { sheet } = await develop([exposure], size, fontFilesOf(fontUses(this.prepared), score.fonts), whole)
    const context = sheet.getContext('2d')
    context.globalCompositeOperation = 'destination-over'
    context.fillStyle = '#223344'
    context.fillRect(0, 0, sheet.width, sheet.height)
    return sheet.toDataURL()
  },
  playScore,
}
`

/** Where the demo's channel is. */
const demoZone = 'Europe/Lisbon'
let bundled: Promise<string> | null = null

/** The player's own modules, bundled once for a blank page. */
function bundle(): Promise<string> {
  bundled ??= build({
    stdin: { contents: entry, resolveDir: process.cwd(), loader: 'ts' },
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
  }).then((result) => result.outputFiles[0]?.text ?? '')
  return bundled
}

/** A blank page of the server's origin on which the player is driven by hand. It needs a context with `bypassCSP`. */
export async function openHarness(page: Page, demo: DemoFile): Promise<void> {
  await page.goto(`${demo.url}/source/none`)
  await page.addScriptTag({ content: await bundle() })
  await page.addStyleTag({ content: 'html,body{background:#223344}' })
}

interface Harness {
  load(score: ResolvedScore): Promise<string[]>
  show(tMs: number): Promise<void>
  runTo(tMs: number, framesPerSecond: number): Promise<void>
  layouts(scores: readonly ResolvedScore[]): Promise<[string, TextLayout][][]>
  clear(): void
  photograph(tMs: number): Promise<string>
}
type Global = { harness: Harness }

export const loadScore = (page: Page, score: ResolvedScore) =>
  page.evaluate((given) => (globalThis as unknown as Global).harness.load(given), score)

/** How the texts of many scores are fitted by the browser. */
export const layoutsOf = (page: Page, scores: readonly ResolvedScore[]) =>
  page.evaluate((given) => (globalThis as unknown as Global).harness.layouts(given), scores)

/** Takes everything off the stage, as a page does that leaves it. */
export const clearStage = (page: Page) => page.evaluate(() => (globalThis as unknown as Global).harness.clear())

/** The frame at a moment, sought directly. */
export async function soughtFrame(page: Page, tMs: number): Promise<Buffer> {
  await page.evaluate((at) => (globalThis as unknown as Global).harness.show(at), tMs)
  return page.screenshot()
}

/** The frame at a moment, after every frame before it was drawn as a play draws them. */
export async function playedFrame(page: Page, tMs: number): Promise<Buffer> {
  await page.evaluate((at) => (globalThis as unknown as Global).harness.runTo(at, 60), tMs)
  return page.screenshot()
}

/** The same moment as a proof keeps it. */
export async function photograph(page: Page, tMs: number): Promise<Buffer> {
  const address = await page.evaluate((at) => (globalThis as unknown as Global).harness.photograph(at), tMs)
  return Buffer.from(address.slice(address.indexOf(',') + 1), 'base64')
}

/** How many pixels of two pictures differ visibly. */
export function differingPixels(one: Buffer, other: Buffer): number {
  const a = PNG.sync.read(one)
  const b = PNG.sync.read(other)
  if (a.width !== b.width || a.height !== b.height) return Infinity
  return pixelmatch(a.data, b.data, undefined, a.width, a.height, { threshold: 0.1 })
}

/** A box of the demo as it is on air, with what the engine needs to know of its media. */
export async function readBox(
  page: Page,
  demo: DemoFile,
  index = 0,
): Promise<{ document: BoxDocument; media: Parameters<typeof resolveScore>[1]['media'] }> {
  const { document } = (await (await page.request.get(`${demo.url}/api/boxes/${demo.boxes[index]?.id}`)).json()) as {
    document: BoxDocument
  }
  const { media } = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as { media: MediaView[] }
  return { document, media: Object.fromEntries(media.map((file) => [file.id, factsOf(file)])) }
}

/** An alert of a box resolved as the server would. */
export function resolveAlert(
  { document, media }: Awaited<ReturnType<typeof readBox>>,
  kind: EventKind,
  viewer: SampleName = 'everyday',
): ResolvedScore {
  const composition = document.alerts.find((alert) => alert.kinds.includes(kind))?.variations.at(-1)?.composition
  if (!composition) throw new Error(`no alert for ${kind}`)
  const result = resolveScore(composition, {
    canvas: document.canvas,
    // As it is on air today: the demo's boxes have a season.
    look: dressAt(document, Date.now(), demoZone).look,
    zones: document.zones,
    event: sampleEvent(kind, viewer),
    locale: 'en-IE',
    media,
  })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
