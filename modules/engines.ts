import { cp, readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { addTypeTemplate, createResolver, defineNuxtModule } from '@nuxt/kit'

/**
 * Lays the speech engines beside the server, each as it is with its licence and what it depends on: they stay programs
 * of their own.
 */
export default defineNuxtModule({
  meta: { name: 'thundercrest-engines' },
  setup(_options, nuxt) {
    const { resolve } = createResolver(import.meta.url)
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        if (nuxt.options.dev) return
        const engines = resolve('../engines')
        for (const name of await readdir(engines)) {
          const to = join(nitro.options.output.dir, 'engines', name)
          await cp(join(engines, name), to, { recursive: true, filter: (path) => !path.includes('node_modules') })
          const { dependencies } = JSON.parse(await readFile(join(engines, name, 'package.json'), 'utf8')) as {
            dependencies: Record<string, string>
          }
          for (const dependency of Object.keys(dependencies))
            await cp(resolve('../node_modules', dependency), join(to, 'node_modules', dependency), { recursive: true })
        }
      })
    })
    // The word lists come without types.
    addTypeTemplate(
      {
        filename: 'types/naughty-words.d.ts',
        getContents: () =>
          "declare module 'naughty-words' {\n  const lists: Readonly<Record<string, readonly string[]>>\n  export default lists\n}\n",
      },
      { nuxt: true, nitro: true, node: true },
    )
  },
})
