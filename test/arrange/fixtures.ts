import { test as base, expect, type Page } from '@playwright/test'
import { TestServer, type DemoFile } from './server.ts'

type SignIn = (role?: 'owner' | 'editor' | 'moderator', page?: Page) => Promise<Page>

/** Signs the page in on a demo. */
async function signInOn(demo: DemoFile, page: Page, role: 'owner' | 'editor' | 'moderator'): Promise<Page> {
  const account = demo.accounts.find((each) => each.role === role)
  const answer = await page.request.post(`${demo.url}/api/session`, {
    data: { email: account?.email, password: account?.password },
  })
  expect(answer.status()).toBe(204)
  return page
}

/**
 * A demo server that the tests of one file share, and pages that are signed in on it. A file names itself in
 * `serverFor`: the runner then gives it a worker, and so a server with empty queues, of its own.
 */
export const test = base.extend<{ demo: DemoFile; signIn: SignIn }, { serverFor: string; server: TestServer }>({
  serverFor: ['', { option: true, scope: 'worker' }],
  server: [
    async ({ serverFor: _file }, use) => {
      const server = await TestServer.start()
      await use(server)
      await server.remove()
    },
    { scope: 'worker' },
  ],
  demo: async ({ server }, use) => use(server.demo),
  signIn: async ({ page, demo }, use) => use(async (role = 'owner', on = page) => signInOn(demo, on, role)),
})

/** A server for each test: for those that end it, or that need its queues to be empty. */
export const testWithOwnServer = base.extend<{ startEnv: Record<string, string>; server: TestServer; signIn: SignIn }>({
  startEnv: [{ THUNDERCREST_DEMO: '1' }, { option: true }],
  server: async ({ startEnv }, use) => {
    const server = await TestServer.start(startEnv)
    await use(server)
    await server.remove()
  },
  signIn: async ({ page, server }, use) => use(async (role = 'owner', on = page) => signInOn(server.demo, on, role)),
})
export { expect } from '@playwright/test'

/** The state that a source page shows of itself. */
export const stateOf = (source: Page) => source.evaluate(() => document.documentElement.dataset.state)

/** Waits until the source page is in a state. */
export async function untilState(source: Page, state: string, timeout = 20_000): Promise<void> {
  await source.waitForSelector(`html[data-state=${state}]`, { state: 'attached', timeout })
}

/** What has played on a source page since it was opened: filled before any of its scripts run. */
export async function watchPlays(
  source: Page,
): Promise<() => Promise<{ play: string; event: string; text: string }[]>> {
  await source.addInitScript(() => {
    const seen: { play: string; event: string; text: string }[] = []
    Object.assign(window, { seenPlays: seen })
    document.addEventListener('thundercrest:play', (event) => {
      const { play, event: id } = (event as CustomEvent<{ play: string; event: string }>).detail
      const entry = { play, event: id, text: '' }
      seen.push(entry)
      setTimeout(() => (entry.text = document.body.innerText), 2500)
    })
  })
  return () =>
    source.evaluate(
      () => (window as unknown as { seenPlays: { play: string; event: string; text: string }[] }).seenPlays,
    )
}

/**
 * Times the plays of a source page by its own clock, from the first of its frames that says so to the last.
 * @returns how long each lasted that has ended, in seconds
 */
export async function timePlays(source: Page): Promise<() => Promise<number[]>> {
  await source.addInitScript(() => {
    const lasted: number[] = []
    Object.assign(window, { playsLasted: lasted })
    let sinceMs: number | null = null
    new MutationObserver(() => {
      const isPlaying = document.documentElement?.dataset.state === 'playing'
      if (isPlaying) sinceMs ??= performance.now()
      else if (sinceMs !== null) {
        lasted.push((performance.now() - sinceMs) / 1000)
        sinceMs = null
      }
    }).observe(document, { attributes: true, subtree: true, attributeFilter: ['data-state'] })
  })
  return () => source.evaluate(() => (window as unknown as { playsLasted: number[] }).playsLasted)
}

/**
 * Listens to what really leaves the page's audio graph: whatever is connected to the output also goes to a meter of
 * ours.
 * @returns reads the loudest sample so far (0…1) and starts over
 */
export async function listenToOutput(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const heard = { peak: 0 }
    Object.assign(window, { heardOutput: heard })
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode
    AudioNode.prototype.connect = function (this: AudioNode, target: AudioNode | AudioParam, ...rest: number[]) {
      if (target instanceof AudioDestinationNode) {
        const meter = target.context.createAnalyser()
        meter.fftSize = 4096
        const samples = new Float32Array(meter.fftSize)
        connect.call(this, meter)
        setInterval(() => {
          meter.getFloatTimeDomainData(samples)
          for (const sample of samples) heard.peak = Math.max(heard.peak, Math.abs(sample))
        }, 30)
      }
      return (connect as (...all: unknown[]) => AudioNode).call(this, target, ...rest)
    } as unknown as typeof AudioNode.prototype.connect
  })
  return () =>
    page.evaluate(() => {
      const heard = (window as unknown as { heardOutput: { peak: number } }).heardOutput
      const { peak } = heard
      heard.peak = 0
      return peak
    })
}

/** Runs where sound is made, so that a busy page loses nothing of it. Tells 4096 samples at a time. */
const recorder = `registerProcessor('recorder', class extends AudioWorkletProcessor {
  rows = [new Float32Array(4096), new Float32Array(4096)]
  at = 0
  process([input]) {
    this.rows.forEach((row, channel) => row.set(input[channel] ?? new Float32Array(128), this.at))
    this.at += 128
    if (this.at === 4096) {
      this.port.postMessage(this.rows)
      this.rows = [new Float32Array(4096), new Float32Array(4096)]
      this.at = 0
    }
    return true
  }
})`

/**
 * Records what really leaves the page's audio graph, sample by sample. The page's policy has to be put aside (`bypassCSP`).
 * @returns reads the two channels heard so far and starts over
 */
export async function recordOutput(
  page: Page,
): Promise<() => Promise<{ rateHz: number; channels: [Float32Array, Float32Array] }>> {
  await page.addInitScript((code) => {
    const module = URL.createObjectURL(new Blob([code], { type: 'text/javascript' }))
    const heard: { rateHz: number; left: Float32Array[]; right: Float32Array[] } = {
      rateHz: 48_000,
      left: [],
      right: [],
    }
    Object.assign(window, { recordedOutput: heard })
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode
    AudioNode.prototype.connect = function (this: AudioNode, target: AudioNode | AudioParam, ...rest: number[]) {
      if (target instanceof AudioDestinationNode) {
        const { context } = target
        heard.rateHz = context.sampleRate
        void context.audioWorklet.addModule(module).then(() => {
          const tap = new AudioWorkletNode(context, 'recorder', { channelCount: 2, channelCountMode: 'explicit' })
          tap.port.onmessage = ({ data }: MessageEvent<[Float32Array, Float32Array]>) => {
            heard.left.push(data[0])
            heard.right.push(data[1])
          }
          connect.call(this, tap)
          // It runs only while it leads somewhere; what it puts out is silence.
          connect.call(tap, target)
        })
      }
      return (connect as (...all: unknown[]) => AudioNode).call(this, target, ...rest)
    } as unknown as typeof AudioNode.prototype.connect
  }, recorder)
  return async () => {
    const { rateHz, left, right } = await page.evaluate(() => {
      const heard = (
        window as unknown as { recordedOutput: { rateHz: number; left: Float32Array[]; right: Float32Array[] } }
      ).recordedOutput
      const packed = (pieces: Float32Array[]) => {
        const bytes = new Uint8Array(pieces.length * 4096 * 4)
        pieces.forEach((piece, index) =>
          bytes.set(new Uint8Array(piece.buffer, piece.byteOffset, 16_384), index * 16_384),
        )
        let letters = ''
        for (let from = 0; from < bytes.length; from += 32_768)
          letters += String.fromCharCode(...bytes.subarray(from, from + 32_768))
        return btoa(letters)
      }
      const answer = { rateHz: heard.rateHz, left: packed(heard.left), right: packed(heard.right) }
      heard.left = []
      heard.right = []
      return answer
    })
    const samples = (base64: string) => new Float32Array(Uint8Array.from(Buffer.from(base64, 'base64')).buffer)
    return { rateHz, channels: [samples(left), samples(right)] }
  }
}

/** Drops files onto the page as a person does from another window. */
export async function dropFiles(
  page: Page,
  selector: string,
  files: readonly { name: string; bytes: Buffer; type?: string }[],
): Promise<void> {
  const transfer = await page.evaluateHandle(
    (given) => {
      const data = new DataTransfer()
      for (const { name, base64, type } of given)
        data.items.add(new File([Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))], name, { type }))
      return data
    },
    files.map(({ name, bytes, type = '' }) => ({ name, base64: bytes.toString('base64'), type })),
  )
  for (const type of ['dragenter', 'dragover', 'drop'])
    await page.dispatchEvent(selector, type, { dataTransfer: transfer })
}
