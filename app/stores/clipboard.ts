import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import * as z from 'zod'
import { editParts } from '../../core/edit/editParts.ts'
import { pasteParts } from '../../core/edit/pasteParts.ts'
import { pasteMotion, pasteStyle, takesStyle } from '../../core/edit/pasteStyle.ts'
import { isVisiblePart, part, type Part } from '../../core/score/parts/part.ts'
import { useDraftStore } from './draft.ts'
import { useScoreRoomStore } from './scoreRoom.ts'

const storageKey = 'thundercrest.clipboard'
const kept = z.object({ variationId: z.string(), parts: z.array(part).min(1) })
type Copied = z.infer<typeof kept>

function readKept(): Copied | null {
  try {
    return kept.safeParse(JSON.parse(localStorage.getItem(storageKey) ?? 'null')).data ?? null
  } catch {
    return null
  }
}

/** Parts that were copied: pasted as parts, or only their style or their motion, in any alert of any box. */
export const useClipboardStore = defineStore('clipboard', () => {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const copied = shallowRef<Copied | null>(readKept())

  /** The copied part that a style or motion is taken from: of the same kind as the target where there is one. */
  const sourceFor = (target: Part) => copied.value?.parts.find((each) => takesStyle(each, target)) ?? null
  const motionSource = computed(() => copied.value?.parts.find(isVisiblePart) ?? null)

  function copy(): number {
    const { selected, variation } = room
    if (selected.length === 0 || !variation) return 0
    copied.value = { variationId: variation.id, parts: selected }
    try {
      localStorage.setItem(storageKey, JSON.stringify(copied.value))
    } catch {
      // Without storage the copy lives as long as this page.
    }
    return selected.length
  }

  function paste(): void {
    if (!copied.value || !room.address || !room.variation) return
    const { edit, partIds } = pasteParts(
      room.address,
      room.parts.map((each) => each.id),
      copied.value.parts,
      copied.value.variationId === room.variation.id,
    )
    if (draft.edit(edit)) room.partIds = partIds
  }

  function duplicate(): void {
    if (copy() > 0) paste()
  }

  return {
    copied,
    canPasteStyle: computed(() => room.selected.some((target) => sourceFor(target) !== null)),
    canPasteMotion: computed(() => motionSource.value !== null && room.selected.some(isVisiblePart)),
    copy,
    paste,
    duplicate,
    pasteStyle(): void {
      if (!room.address) return
      draft.edit(
        editParts(room.address, room.partIds, 'paste style', (target) => {
          const source = sourceFor(target)
          if (source) pasteStyle(source, target)
        }),
      )
    },
    pasteMotion(): void {
      const source = motionSource.value
      if (room.address && source)
        draft.edit(editParts(room.address, room.partIds, 'paste motion', (target) => pasteMotion(source, target)))
    },
  }
})
