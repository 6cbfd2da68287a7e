import { computed, onMounted, watchEffect } from 'vue'
import { fontShelf, shelfTypeface } from '../../core/look/fontShelf.ts'
import type { Typeface } from '../../core/look/schema.ts'
import { ensureOwnFont, ensureSheet } from '../../player/preload/fonts.ts'
import { useMediaStore } from '../stores/media.ts'

/** The weight that headlines take, where a font has it. */
const headlineWeight = 700

/**
 * The typefaces to choose from: what ships, and the channel's own fonts. Each is loaded, so that lists show it in
 * itself.
 */
export function useTypefaces() {
  const media = useMediaStore()
  const own = computed(() =>
    Object.values(media.facts).flatMap(({ family, weights, url }) =>
      family && weights ? [{ family, weights, url }] : [],
    ),
  )
  onMounted(() => fontShelf.forEach((font) => void ensureSheet(font.family)))
  watchEffect(() => own.value.forEach(({ family, ...address }) => void ensureOwnFont(family, address)))
  return {
    families: computed(() => [...own.value.map(({ family }) => family), ...fontShelf.map(({ family }) => family)]),
    /** A family as a typeface; null for one that is not there. */
    typefaceOf(family: string): Typeface | null {
      const found = own.value.find((font) => font.family === family)
      return found
        ? { family, weight: Math.round(Math.min(found.weights[1], Math.max(found.weights[0], headlineWeight))) }
        : shelfTypeface(family)
    },
  }
}
