import { chromium, type Browser, type Page } from '@playwright/test'
import { openHarness } from '../test/arrange/playerHarness.ts'
import { TestServer } from '../test/arrange/server.ts'

/** A browser like the tests', with a page on which the player is driven by hand. */
export async function withPlayerPage(
  run: (page: Page, server: TestServer, browser: Browser) => Promise<void>,
): Promise<void> {
  const server = await TestServer.start()
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required'],
  })
  try {
    const context = await browser.newContext({ bypassCSP: true, viewport: { width: 1920, height: 1080 } })
    const page = await context.newPage()
    const account = server.demo.accounts[0]
    await page.request.post(`${server.url}/api/session`, {
      data: { email: account?.email, password: account?.password },
    })
    await openHarness(page, server.demo)
    await run(page, server, browser)
  } finally {
    await browser.close()
    await server.remove()
  }
}
