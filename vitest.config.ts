import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: [
      '{core,contract,player,server,stand-ins,demo,gallery,app,bench}/**/*.test.ts',
      'test/{integration,fault}/**/*.test.ts',
    ],
    setupFiles: ['test/arrange/seed.ts'],
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
})
