import { existsSync } from 'node:fs'
import { cp, mkdir, readFile, rm, writeFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import { createResolver, defineNuxtModule } from '@nuxt/kit'
import { fontShelf, fontSlug } from '../core/look/fontShelf.ts'
import { allFallbackFamilies } from '../core/text/fallbackFamilies.ts'

const fallbackWeights = [400, 700]
const emojiFamily = 'Noto Color Emoji'

/**
 * Lays out the fonts that ship with Thundercrest as `/fonts/<family>.css` with their files beside them. No network,
 * ever.
 */
export default defineNuxtModule({
  meta: { name: 'thundercrest-fonts' },
  setup(_options, nuxt) {
    const { resolve } = createResolver(import.meta.url)
    const folder = join(nuxt.options.rootDir, 'node_modules/.cache/thundercrest/fonts')
    const packageOf = (family: string, isVariable: boolean) =>
      resolve(`../node_modules/${isVariable ? '@fontsource-variable' : '@fontsource'}/${fontSlug(family)}`)

    /** One file of our own for all emoji; see fonts/make.mjs. */
    const layOutEmoji = async (slug: string) => {
      const sheet = await readFile(join(packageOf(emojiFamily, false), 'emoji-400.css'), 'utf8')
      const ranges = /unicode-range: [^;]+;/.exec(sheet)?.[0] ?? ''
      await cp(resolve('../fonts/noto-color-emoji.woff2'), join(folder, slug, 'all.woff2'))
      await writeFile(
        join(folder, `${slug}.css`),
        `@font-face { font-family: '${emojiFamily}'; font-display: block; src: url(./${slug}/all.woff2) format('woff2'); ${ranges} }\n`,
      )
    }

    /** The style sheets that together are a family. Fallbacks bring two weights where they have them. */
    const sheetsOf = (family: string): string[] => {
      const shelved = fontShelf.find((font) => font.family === family)
      if (shelved) return [join(packageOf(family, shelved.isVariable), 'index.css')]
      return fallbackWeights
        .map((weight) => join(packageOf(family, false), `${weight}.css`))
        .filter((path) => existsSync(path))
    }

    const layOut = async (family: string) => {
      const slug = fontSlug(family)
      if (family === emojiFamily) return layOutEmoji(slug)
      let css = ''
      for (const sheet of sheetsOf(family)) {
        // The packages call variable fonts "Fraunces Variable"; a look says "Fraunces".
        css += (await readFile(sheet, 'utf8')).replaceAll(/font-family: '[^']+'/g, `font-family: '${family}'`)
        for (const [, file = ''] of css.matchAll(/url\(\.\/files\/([^)]+)\)/g)) {
          if (!file.endsWith('.woff2')) continue
          await cp(join(sheet, '..', 'files', basename(file)), join(folder, slug, basename(file)))
        }
      }
      css = css
        .replaceAll(/, ?url\(\.\/files\/[^)]+\.woff\) format\('woff'\)/g, '')
        .replaceAll('font-display: swap', 'font-display: block')
        .replaceAll('./files/', `./${slug}/`)
      await writeFile(join(folder, `${slug}.css`), css)
    }

    nuxt.hook('nitro:config', async (config) => {
      await rm(folder, { recursive: true, force: true })
      await mkdir(folder, { recursive: true })
      for (const family of [...fontShelf.map((font) => font.family), ...allFallbackFamilies]) await layOut(family)
      config.publicAssets = [...(config.publicAssets ?? []), { dir: folder, baseURL: '/fonts', maxAge: 86_400 }]
    })
  },
})
