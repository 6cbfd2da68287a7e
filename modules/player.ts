import { createHash } from 'node:crypto'
import { mkdir, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { addTypeTemplate, createResolver, defineNuxtModule } from '@nuxt/kit'
import { build } from 'esbuild'

/** Builds the framework-free source page's script and serves it under a name that changes with its content. */
export default defineNuxtModule({
  meta: { name: 'thundercrest-player' },
  setup(_options, nuxt) {
    const { resolve } = createResolver(import.meta.url)
    const folder = join(nuxt.options.rootDir, 'node_modules/.cache/thundercrest/player')
    let scriptUrl = ''

    const bundle = async () => {
      const { outputFiles } = await build({
        entryPoints: [resolve('../player/source/main.ts')],
        bundle: true,
        minify: true,
        format: 'esm',
        target: 'es2022',
        write: false,
        legalComments: 'none',
      })
      const code = outputFiles[0]?.contents ?? new Uint8Array()
      const hash = nuxt.options.dev ? 'dev' : createHash('sha256').update(code).digest('hex').slice(0, 12)
      await rm(folder, { recursive: true, force: true })
      await mkdir(folder, { recursive: true })
      await writeFile(join(folder, `source.${hash}.js`), code)
      scriptUrl = `/player/source.${hash}.js`
    }

    nuxt.hook('nitro:config', async (config) => {
      await bundle()
      config.publicAssets = [...(config.publicAssets ?? []), { dir: folder, baseURL: '/player', maxAge: nuxt.options.dev ? 0 : 31_536_000 }]
      config.virtual = { ...config.virtual, '#thundercrest/player': () => `export const playerScriptUrl = ${JSON.stringify(scriptUrl)}` }
    })
    nuxt.hook('builder:watch', async (_event, path) => {
      if (/(^|\/)(player|core|contract)\//.test(path)) await bundle()
    })
    addTypeTemplate(
      { filename: 'types/thundercrest-player.d.ts', getContents: () => "declare module '#thundercrest/player' {\n  export const playerScriptUrl: string\n}\n" },
      { nuxt: true, nitro: true, node: true },
    )
  },
})
