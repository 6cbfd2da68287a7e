import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'test/browser',
  timeout: 120_000,
  workers: 2,
  fullyParallel: false,
  // A browser on a busy machine may stumble once; what fails twice fails. The list names what needed its second try.
  // Under load one of many may be late once; what fails twice is broken.
  retries: 1,
  expect: { timeout: 30_000 },
  forbidOnly: Boolean(process.env.CI),
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_FILE ? [['list'], ['json']] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      // Bars that scroll take room, as on most desktops: what they push aside has to be seen.
      ignoreDefaultArgs: ['--hide-scrollbars'],
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--autoplay-policy=no-user-gesture-required',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
})
