import { chromium } from 'playwright-core'
export async function open(url = 'http://127.0.0.1:4455') {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--autoplay-policy=no-user-gesture-required'] })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text().slice(0, 300)))
  page.on('pageerror', (e) => console.log('pageerror:', e.message.slice(0, 300)))
  await page.request.post(`${url}/api/session`, { data: { email: 'odalys@lantern-loaf.example', password: 'lantern-loaf' } })
  return { browser, context, page, url }
}
