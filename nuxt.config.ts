import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { permissions } from './server/http/pagePolicy.ts'

// One set of stricter rules for the interface, the server and the tooling alike.
const compilerOptions = {
  noUncheckedIndexedAccess: true,
  exactOptionalPropertyTypes: false,
  allowImportingTsExtensions: true,
  noImplicitOverride: true,
}

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  telemetry: false,
  // A working room behind a sign-in: rendered in the browser, so that the server's thread is left to events.
  ssr: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', './modules/player', './modules/fonts', './modules/processes', './modules/engines'],
  css: ['~/assets/app.css'],
  // Our own code is imported explicitly; automatic imports drop exports silently in some files.
  imports: { autoImport: false },
  components: { dirs: [] },
  pinia: { storesDirs: [] },
  vite: {
    plugins: [tailwindcss()],
    // Fonts are files: the policy of the pages takes none out of a style sheet.
    build: { assetsInlineLimit: (path) => (path.endsWith('.woff2') ? false : undefined) },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions },
    nodeTsConfig: { compilerOptions, include: ['../gallery/**/*'] },
  },
  app: {
    head: {
      title: 'Thundercrest',
      htmlAttrs: { lang: 'en' },
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  routeRules: {
    '/**': {
      headers: {
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'same-origin',
        'x-frame-options': 'DENY',
        'cross-origin-opener-policy': 'same-origin',
        'permissions-policy': permissions,
      },
    },
    // A worker has a policy of its own: this one asks nobody for anything.
    '/workers/**': { headers: { 'content-security-policy': "default-src 'none'" } },
    '/fonts/**': { headers: { 'access-control-allow-origin': '*' } },
  },
  nitro: {
    imports: false,
    typescript: { tsConfig: { compilerOptions } },
    errorHandler: '~~/server/errorHandler.ts',
    serverAssets: [
      { baseName: 'migrations', dir: './db/migrations' },
      { baseName: 'demo', dir: '../demo/media/files' },
      { baseName: 'gallery', dir: '../gallery/files' },
    ],
    externals: {
      traceInclude: [
        './node_modules/@electric-sql/pglite/dist/pglite.wasm',
        './node_modules/@electric-sql/pglite/dist/pglite.data',
        './node_modules/@electric-sql/pglite/dist/initdb.wasm',
      ],
    },
  },
  hooks: {
    // Nuxt 4.4.5 looks for a server entry in development even where pages are rendered in the browser only.
    'vite:extendConfig': (config, { isClient }) => {
      const input = config.build?.rollupOptions?.input
      if (isClient && config.mode === 'development' && typeof input === 'object' && !Array.isArray(input))
        input.server ??= input.entry ?? ''
    },
    'nitro:config': (config) => {
      config.experimental = { ...config.experimental, websocket: true }
      if (!config.dev) config.entry = fileURLToPath(new URL('./server/entry.ts', import.meta.url))
    },
  },
})
