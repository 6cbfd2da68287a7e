import { useClipboard, useEventListener } from '@vueuse/core'
import { toast } from 'vue-sonner'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { counted } from '../../format/counted.ts'
import { useClipboardStore, type Pasted } from '../../stores/clipboard.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { inDialog, isTyping } from './typing.ts'

const refusals: Record<Extract<Pasted, { refused: string }>['refused'], string> = {
  other: 'The clipboard holds no part and no case.',
  broken: 'What is in the clipboard is broken, or of a later version.',
  noPlace: 'What is in the clipboard has no place here.',
}

/**
 * Copying and pasting, by the names that buttons and commands have for it. Keys come as events of the browser, which bring the
 * clipboard along and need no leave: `useClipboardKeys`.
 */
export function useClipboardActs() {
  const clipboard = useClipboardStore()
  const room = useScoreRoomStore()
  const { copy: write } = useClipboard({ legacy: true })
  const notify = useUndoNotice()

  /** Says what became of it, where that is not seen on the stage. */
  function tellPasted(pasted: Pasted): void {
    if ('refused' in pasted) toast.info(refusals[pasted.refused])
    else if (pasted.done === 'case') notify(`“${room.variation?.name ?? ''}” is pasted, and asked first.`)
    else if (pasted.leftOut > 0) notify(`Pasted; left out ${counted(pasted.leftOut, 'part')} that no place here takes.`)
  }
  function tellCopied(): void {
    if (clipboard.copied?.what === 'case') toast.success(`The case “${room.variation?.name ?? ''}” is copied.`)
  }
  async function put(text: string | null): Promise<void> {
    if (text === null) return
    tellCopied()
    await write(text)
  }
  return {
    tellPasted,
    tellCopied,
    /** Copies the selected parts, or the open case where none is. */
    copy: () => put(clipboard.copy()),
    copyCase: () => put(clipboard.copyCase()),
    /** Pastes what is in the system's clipboard, or, where that may not be read, what was copied here last. */
    paste: async () => {
      const text = await navigator.clipboard?.readText().catch(() => '')
      tellPasted(text ? clipboard.pasteText(text) : clipboard.paste())
    },
  }
}

/** Copies, cuts and pastes with the keys of the browser, wherever nobody writes words. */
export function useClipboardKeys(canEdit: () => boolean, remove: () => void): void {
  const clipboard = useClipboardStore()
  const room = useScoreRoomStore()
  const { tellPasted, tellCopied } = useClipboardActs()
  const isElsewhere = (event: Event) => isTyping(event) || inDialog(event)
  // Words of the page that somebody marked are what they want to copy.
  const isMarked = () => getSelection()?.isCollapsed === false

  function copyInto(event: ClipboardEvent): boolean {
    if (isElsewhere(event) || isMarked()) return false
    const text = clipboard.copy()
    if (text === null) return false
    event.clipboardData?.setData('text/plain', text)
    event.preventDefault()
    tellCopied()
    return true
  }
  useEventListener(window, 'copy', (event: ClipboardEvent) => void copyInto(event))
  useEventListener(window, 'cut', (event: ClipboardEvent) => {
    if (canEdit() && room.partIds.length > 0 && copyInto(event)) remove()
  })
  useEventListener(window, 'paste', (event: ClipboardEvent) => {
    // Files go where files go.
    if (isElsewhere(event) || !canEdit() || event.clipboardData?.files.length) return
    event.preventDefault()
    tellPasted(clipboard.pasteText(event.clipboardData?.getData('text/plain') ?? ''))
  })
}
