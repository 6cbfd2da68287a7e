import type { ResolvedScore } from '../../core/score/resolved.ts'
import { fontFilesOf, rangeOf } from '../camera/fontFiles.ts'
import { ensureOwnFont, ensureSheet, type FontUse } from '../preload/fonts.ts'
import { rememberLately } from '../preload/remember.ts'

/** A typeface's file as a document of its own is given it: it may not fetch it. */
export interface FrameFont {
  family: string
  weight: string
  style: string
  unicodeRange: string
  bytes: ArrayBuffer
}

const bytesOf = rememberLately(
  async (url: string) => {
    const answer = await fetch(url)
    if (!answer.ok) throw new Error(`The font ${url} answered ${answer.status}`)
    return answer.arrayBuffer()
  },
  { bytesMost: 16 * 1024 * 1024, bytesOf: ({ byteLength }: ArrayBuffer) => byteLength },
)

/** The files that some letters are drawn with. One that cannot be fetched is left out. */
export async function loadFrameFonts(
  uses: readonly FontUse[],
  { fonts = {} }: Pick<ResolvedScore, 'fonts'>,
): Promise<FrameFont[]> {
  await Promise.all(
    [...new Set(uses.map(({ family }) => family))].map((family) => {
      const own = fonts[family]
      return own ? ensureOwnFont(family, own) : ensureSheet(family)
    }),
  )
  const loaded = await Promise.all(
    fontFilesOf(uses, fonts, 'letters').map(async ({ url, family, weight, style, letters }) => {
      const bytes = await bytesOf(url).catch(() => null)
      return bytes ? [{ family, weight, style, unicodeRange: rangeOf(letters), bytes }] : []
    }),
  )
  return loaded.flat()
}
