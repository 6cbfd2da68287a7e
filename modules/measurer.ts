import { join } from 'node:path'
import { createResolver, defineNuxtModule } from '@nuxt/kit'
import { build } from 'esbuild'

/** Builds the measuring process beside the server. Only what carries native code stays a package of its own. */
export default defineNuxtModule({
  meta: { name: 'thundercrest-measurer' },
  setup(_options, nuxt) {
    const { resolve } = createResolver(import.meta.url)
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        if (nuxt.options.dev) return
        await build({
          entryPoints: [resolve('../server/media/measure/main.ts')],
          outfile: join(nitro.options.output.serverDir, 'measure.mjs'),
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          external: ['sharp'],
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
