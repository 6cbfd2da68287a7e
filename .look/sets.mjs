import { chromium } from 'playwright-core'
import sharp from 'sharp'
const url = 'http://127.0.0.1:4455'
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, deviceScaleFactor: 2, reducedMotion: 'reduce' })
const page = await context.newPage()
await page.request.post(`${url}/api/session`, { data: { email: 'odalys@lantern-loaf.example', password: 'lantern-loaf' } })
await page.goto(`${url}/boxes/new`)
const shots = []
for (const name of ['Window ledge', 'Jelly parade', 'Curtain up', 'Plain speaking', 'Stairwell', 'Sixteen lamps', 'First frost', 'Apple cart']) {
  await page.getByRole('radio', { name: new RegExp(name) }).click()
  for (const kase of process.argv.slice(2)) {
    await page.getByRole('button', { name: /^Shown:/ }).click()
    await page.getByRole('option', { name: kase, exact: true }).click()
    await page.waitForTimeout(900)
    shots.push(await page.locator('form .bg-stage').first().screenshot())
  }
}
const w = 690
const tiles = await Promise.all(shots.map((s) => sharp(s).resize(w).toBuffer()))
const { height } = await sharp(tiles[0]).metadata()
await sharp({ create: { width: w * 2, height: height * Math.ceil(tiles.length / 2), channels: 3, background: '#333' } }).composite(tiles.map((input, i) => ({ input, left: (i % 2) * w, top: Math.floor(i / 2) * height }))).png().toFile('/tmp/sets.png')
await browser.close()
