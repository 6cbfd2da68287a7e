import { chromium } from '@playwright/test'
import { build } from 'esbuild'

const pageSource = `
import { BufferTarget, CanvasSource, Output, WebMOutputFormat } from 'mediabunny'
globalThis.record = async ({ sidePx, frames, framesPerSecond }) => {
  const canvas = document.createElement('canvas')
  canvas.width = sidePx
  canvas.height = sidePx
  const context = canvas.getContext('2d')
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() })
  const source = new CanvasSource(canvas, { codec: 'vp9', bitrate: 500_000, alpha: 'keep', keyFrameInterval: 0.25 })
  output.addVideoTrack(source, { frameRate: framesPerSecond })
  await output.start()
  for (let frame = 0; frame < frames; frame++) {
    const turn = frame / frames
    context.clearRect(0, 0, sidePx, sidePx)
    // Flames: tongues of fire that lick up and part; every value is a sine of the round, so that it closes.
    for (let tongue = 0; tongue < 9; tongue++) {
      const phase = tongue / 9
      const x = sidePx * (0.14 + 0.09 * tongue)
      const tall = sidePx * (0.42 + 0.16 * Math.sin((turn * 2 + phase * 3) * Math.PI * 2) + 0.1 * Math.sin((turn + phase) * Math.PI * 2))
      const wide = sidePx * 0.11
      const lean = sidePx * 0.05 * Math.sin((turn + phase * 2) * Math.PI * 2)
      const glow = context.createLinearGradient(0, sidePx, 0, sidePx - tall)
      glow.addColorStop(0, 'rgba(255,214,92,0.95)')
      glow.addColorStop(0.5, 'rgba(255,138,36,0.85)')
      glow.addColorStop(1, 'rgba(196,58,24,0)')
      context.fillStyle = glow
      context.beginPath()
      context.moveTo(x - wide, sidePx)
      context.quadraticCurveTo(x - wide * 0.9, sidePx - tall * 0.55, x + lean, sidePx - tall)
      context.quadraticCurveTo(x + wide * 0.9, sidePx - tall * 0.55, x + wide, sidePx)
      context.fill()
    }
    await source.add(frame / framesPerSecond, 1 / framesPerSecond)
  }
  await output.finalize()
  const bytes = new Uint8Array(output.target.buffer)
  let text = ''
  for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192))
  return btoa(text)
}
`

/** Records a transparent VP9 video of flames in Chromium. @returns the WebM file */
export async function recordFlames(options: {
  sidePx: number
  frames: number
  framesPerSecond: number
}): Promise<Buffer> {
  const bundle = await build({
    stdin: { contents: pageSource, resolveDir: process.cwd() },
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'browser',
  })
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  })
  try {
    const page = await browser.newPage()
    // A secure origin of its own: encoders are not offered elsewhere. Nothing is fetched.
    await page.route('http://localhost/', (route) =>
      route.fulfill({ contentType: 'text/html', body: '<!doctype html>' }),
    )
    await page.goto('http://localhost/')
    await page.addScriptTag({ content: bundle.outputFiles[0]?.text ?? '' })
    const text = await page.evaluate(
      (wanted) => (globalThis as unknown as { record: (wanted: object) => Promise<string> }).record(wanted),
      options,
    )
    return Buffer.from(text, 'base64')
  } finally {
    await browser.close()
  }
}
