import { mkdir, rm } from 'node:fs/promises'
import { basename, join } from 'node:path'
import { addTypeTemplate, defineNuxtModule } from '@nuxt/kit'
import { bundlePlayer, bundleVectorWorker, type PlayerPage } from './bundle.ts'

/** Builds the framework-free scripts of source pages and boards and serves them under names that change with their content. */
export default defineNuxtModule({
  meta: { name: 'thundercrest-player' },
  setup(_options, nuxt) {
    const folder = join(nuxt.options.rootDir, 'node_modules/.cache/thundercrest/player')
    const workers = join(nuxt.options.rootDir, 'node_modules/.cache/thundercrest/workers')
    let urls = { source: '', board: '' }

    const bundle = async () => {
      await rm(folder, { recursive: true, force: true })
      await mkdir(folder, { recursive: true })
      await rm(workers, { recursive: true, force: true })
      await bundleVectorWorker(workers)
      const urlOf = async (page: PlayerPage) =>
        `/player/${basename((await bundlePlayer(page, folder, nuxt.options.dev)).script)}`
      urls = { source: await urlOf('source'), board: await urlOf('board') }
    }

    nuxt.hook('nitro:config', async (config) => {
      await bundle()
      config.publicAssets = [
        ...(config.publicAssets ?? []),
        { dir: folder, baseURL: '/player', maxAge: nuxt.options.dev ? 0 : 31_536_000 },
        { dir: workers, baseURL: '/workers', maxAge: 0 },
      ]
      config.virtual = {
        ...config.virtual,
        '#thundercrest/player': () => `export const playerScripts = ${JSON.stringify(urls)}`,
      }
    })
    nuxt.hook('builder:watch', async (_event, path) => {
      if (/(^|\/)(player|core|contract)\//.test(path)) await bundle()
    })
    addTypeTemplate(
      {
        filename: 'types/thundercrest-player.d.ts',
        getContents: () =>
          "declare module '#thundercrest/player' {\n  export const playerScripts: { source: string; board: string }\n}\n",
      },
      { nuxt: true, nitro: true, node: true },
    )
  },
})
