import { computed, watchEffect, type Ref } from 'vue'
import type { TipView } from '../../../contract/tips.ts'
import { lanternLook } from '../../../core/look/lanternLook.ts'
import type { Look } from '../../../core/look/schema.ts'
import { pageInks, type PageInks } from '../../../core/tip/pageInks.ts'
import { fontStack } from '../../../player/fontStack.ts'
import { ensureOwnFont, ensureSheet } from '../../../player/preload/fonts.ts'

/** The colours and typefaces of a channel's own pages, as custom properties. */
export function lookProperties(look: Look): { inks: PageInks; style: Record<string, string> } {
  const inks = pageInks(look.palette)
  const side = (name: string, of: PageInks['light']) =>
    Object.fromEntries(Object.entries(of).map(([role, ink]) => [`--${name}-${role}`, ink as string]))
  const { display, text } = look.type
  return {
    inks,
    style: {
      ...side('light', inks.light),
      ...side('dark', inks.dark),
      '--accent': inks.accent,
      '--on-accent': inks.onAccent,
      '--display': fontStack(display.family),
      '--display-weight': String(display.weight),
      '--text': fontStack(text.family),
    },
  }
}

/** The channel's look on a page of its viewers, with its typefaces loaded. */
export function useTipLook(view: Ref<Pick<TipView, 'look' | 'alert'> | null>) {
  const look = computed(() => view.value?.look ?? lanternLook)
  watchEffect(() => {
    for (const { family } of [look.value.type.display, look.value.type.text]) {
      const own = Object.values(view.value?.alert?.media ?? {}).find((facts) => facts.family === family)
      if (own?.weights) void ensureOwnFont(family, { url: own.url, weights: own.weights })
      else void ensureSheet(family)
    }
  })
  return computed(() => lookProperties(look.value).style)
}
