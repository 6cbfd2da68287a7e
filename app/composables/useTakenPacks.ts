import { computed, watch } from 'vue'
import type { TakenPack } from '../../core/pack/takenPack.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { useDraftStore } from '../stores/draft.ts'
import { usePacksStore } from '../stores/packs.ts'

/** The packs of the box that is open, each with its design once that is there. */
export function useTakenPacks() {
  const draft = useDraftStore()
  const packs = usePacksStore()
  const entries = computed<TakenPack[]>(() => draft.document?.packs ?? [])
  watch(
    () => entries.value.map(({ shelfId }) => shelfId).join(),
    () => entries.value.forEach(({ shelfId }) => void packs.open(shelfId).catch(() => {})),
    { immediate: true },
  )
  const taken = computed(() =>
    entries.value.map((entry) => ({ entry, pack: packs.opened.get(entry.shelfId)?.manifest ?? null })),
  )
  return { taken }
}

/** One of them, its design there. */
export interface TakenDesign {
  entry: TakenPack
  pack: Manifest
}
