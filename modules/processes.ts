import { createResolver, defineNuxtModule } from '@nuxt/kit'
import { build } from 'esbuild'

/** The server's own processes and threads, and the stand-in that is one, by the names that they have beside it. */
const processes = {
  measure: '../server/media/measure/main.ts',
  languages: '../server/speech/languages/main.ts',
  database: '../server/db/embedded/main.ts',
  studio: '../stand-ins/studio/main.ts',
}

/** Builds the server's own processes beside it. Only what carries native code stays a package of its own. */
export default defineNuxtModule({
  meta: { name: 'thundercrest-processes' },
  setup(_options, nuxt) {
    const { resolve } = createResolver(import.meta.url)
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        if (nuxt.options.dev) return
        await build({
          entryPoints: Object.fromEntries(Object.entries(processes).map(([name, path]) => [name, resolve(path)])),
          outdir: nitro.options.output.serverDir,
          outExtension: { '.js': '.mjs' },
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          external: ['sharp', '@electric-sql/pglite'],
          // Some of the bundled packages still ask for their parts with require.
          banner: {
            js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
          },
          legalComments: 'none',
        })
      })
    })
  },
})
