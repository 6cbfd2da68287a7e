import { computed, watchEffect, type Ref } from 'vue'
import type { TipView } from '../../../contract/tips.ts'
import { lanternLook } from '../../../core/look/lanternLook.ts'
import type { Look } from '../../../core/look/schema.ts'
import { pageInks, type SideInks } from '../../../core/tip/pageInks.ts'
import { fontStack } from '../../../player/fontStack.ts'
import { ensureOwnFont, ensureSheet } from '../../../player/preload/fonts.ts'

/** The colours and typefaces of a channel's own pages, as custom properties. */
function lookProperties({ palette, type: { display, text } }: Look): Record<string, string> {
  const { light, dark, accent, onAccent } = pageInks(palette)
  const side = (name: string, of: SideInks) =>
    Object.fromEntries(Object.entries(of).map(([role, ink]) => [`--${name}-${role}`, ink as string]))
  return {
    ...side('light', light),
    ...side('dark', dark),
    '--accent': accent,
    '--on-accent': onAccent,
    '--display': fontStack(display.family),
    '--display-weight': String(display.weight),
    '--text': fontStack(text.family),
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
  return computed(() => lookProperties(look.value))
}
