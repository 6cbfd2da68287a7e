import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { bringAlert } from '../../core/edit/bringAlert.ts'
import {
  clipboardText,
  copiedFrom,
  copiedParts,
  partsFor,
  readClipboard,
  type Copied,
} from '../../core/edit/clipboardText.ts'
import { editParts } from '../../core/edit/editParts.ts'
import { pasteParts } from '../../core/edit/pasteParts.ts'
import { pasteMotion, pasteStyle, takesStyle } from '../../core/edit/pasteStyle.ts'
import { fitToCanvas } from '../../core/pack/fitToCanvas.ts'
import { isVisiblePart, type Part } from '../../core/score/parts/part.ts'
import { useDraftStore } from './draft.ts'
import { useScoreRoomStore } from './scoreRoom.ts'

const storageKey = 'thundercrest.clipboard'

const read = (text: string | null): Copied | null => {
  const copied = readClipboard(text ?? '')
  return typeof copied === 'string' ? null : copied
}

function readKept(): Copied | null {
  try {
    return read(localStorage.getItem(storageKey))
  } catch {
    return null
  }
}

/** What became of a text that was pasted. */
export type Pasted = { done: 'parts' | 'case'; leftOut: number } | { refused: 'other' | 'broken' | 'noPlace' }

/**
 * What was copied: parts, pasted as parts, or only their style or their motion, and whole cases; in any alert of any box. It stands
 * in the system's clipboard as text, and is kept here for what needs no clipboard.
 */
export const useClipboardStore = defineStore('clipboard', () => {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const copied = shallowRef<Copied | null>(readKept())
  // Another tab copied something.
  if (typeof window !== 'undefined')
    useEventListener(window, 'storage', ({ key, newValue }) => {
      if (key === storageKey) copied.value = read(newValue)
    })

  const parts = computed(() => (copied.value ? copiedParts(copied.value) : []))
  /** The copied part that a style or motion is taken from: of the same kind as the target where there is one. */
  const sourceFor = (target: Part) => parts.value.find((each) => takesStyle(each, target)) ?? null
  const motionSource = computed(() => parts.value.find(isVisiblePart) ?? null)

  /** Copies parts of the open case, or all of it. @returns the text for the clipboard; null: there is nothing to copy */
  function keep(partIds: readonly string[] | null): string | null {
    const { document } = draft
    const taken = document && room.address && copiedFrom(document, room.address, partIds)
    if (!taken) return null
    copied.value = taken
    const text = clipboardText(taken)
    try {
      localStorage.setItem(storageKey, text)
    } catch {
      // Without storage the copy lives as long as this page.
    }
    return text
  }

  function paste(): Pasted {
    const { document } = draft
    if (!copied.value || !document) return { refused: 'other' }
    return copied.value.what === 'case' ? pasteCase(copied.value) : pasteCopied(copied.value)
  }

  function pasteCopied(taken: Copied): Pasted {
    const { document } = draft
    if (!document || !room.address || !room.variation) return { refused: 'noPlace' }
    const fitted = { ...taken, from: fitToCanvas(taken.from, document.canvas) }
    const fitting = partsFor(fitted, document)
    if (fitting.length === 0) return { refused: 'noPlace' }
    const { edit, partIds } = pasteParts(
      room.address,
      room.parts.map((each) => each.id),
      fitting,
      taken.address.variationId === room.variation.id,
    )
    if (draft.edit(edit)) room.partIds = partIds
    return { done: 'parts', leftOut: parts.value.length - fitting.length }
  }

  function pasteCase(taken: Copied): Pasted {
    const { document } = draft
    if (!document || document.stays || taken.from.stays) return { refused: 'noPlace' }
    const kinds = taken.from.alerts[0]?.kinds ?? []
    const knew = new Set(document.alerts.flatMap(({ id, variations }) => variations.map((each) => `${id} ${each.id}`)))
    if (!draft.edit({ ...bringAlert(taken.from, taken.address), label: 'paste a case' })) return { refused: 'noPlace' }
    const there = draft.document?.alerts.find((each) => each.kinds.some((kind) => kinds.includes(kind)))
    if (there) {
      room.alertId = there.id
      const fresh = there.variations.find(({ id }) => !knew.has(`${there.id} ${id}`))
      // Another alert begins with its first case, which is the new one; in the open one it has to be said.
      if (fresh) room.variationId = fresh.id
    }
    return { done: 'case', leftOut: 0 }
  }

  return {
    copied,
    canPasteStyle: computed(() => room.selected.some((target) => sourceFor(target) !== null)),
    canPasteMotion: computed(() => motionSource.value !== null && room.selected.some(isVisiblePart)),
    /** Copies the selected parts; where none is, the open case. @returns the text for the clipboard; null: nothing is open */
    copy: () => keep(room.partIds.length > 0 ? room.partIds : null),
    /** Copies the open case. */
    copyCase: () => keep(null),
    paste,
    /** Pastes a text of the clipboard; what is not ours leaves everything as it is. */
    pasteText(text: string): Pasted {
      const taken = readClipboard(text)
      if (typeof taken === 'string') return { refused: taken }
      copied.value = taken
      return paste()
    },
    duplicate(): void {
      if (room.partIds.length > 0 && keep(room.partIds)) paste()
    },
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
