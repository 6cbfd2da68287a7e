// How fast a case becomes a file: by the editor's own dialog, from the press of the button until the file is there. The demo's tip,
// eight seconds of picture, particles, rippling letters, sound and voice, in Debian's headless Chromium without a GPU.
import { statSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { TestServer } from '../test/arrange/server.ts'
import { report, type Measured } from './report.ts'

const server = await TestServer.start()
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'],
})
const measured: Measured[] = []
try {
  const { demo } = server
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const account = demo.accounts[0]
  await page.request.post(`${demo.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  await page.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}?kind=tip`)
  await page.getByRole('application').locator('[data-part=headline]').waitFor()
  await page.getByRole('button', { name: 'Save this case as a film' }).click()
  const dialog = page.getByRole('dialog', { name: 'This case as a file' })
  for (const [kind, size] of [
    ['Film with sound', '1920 × 1080'],
    ['Film with sound', '960 × 540'],
    ['Moving picture', '960 × 540'],
  ] as const) {
    await dialog.getByRole('radio', { name: kind }).click()
    await dialog.getByRole('radio', { name: size }).click()
    const words = (await dialog.getByText(/^\d+ pictures, \d+ a second$/).textContent()) ?? ''
    const [frames = 0, rate = 0] = words.match(/\d+/g)?.map(Number) ?? []
    const coming = page.waitForEvent('download', { timeout: 300_000 })
    await dialog.getByRole('button', { name: 'Make the file' }).click()
    const began = performance.now()
    const bytes = statSync(await (await coming).path()).size
    const seconds = (performance.now() - began) / 1000
    measured.push({
      what: `${kind}, ${size}, ${rate} pictures a second`,
      figures: {
        pictures: frames,
        'pictures a second': (frames / seconds).toFixed(1),
        'times its length': (seconds / (frames / rate)).toFixed(1),
        file: `${(bytes / 1e6).toFixed(1)} MB`,
      },
    })
  }
} finally {
  await browser.close()
  await server.remove()
}
report('render', measured)
