import { useKeys } from '../../composables/useKeys.ts'

interface RoomKeys {
  play: () => void
  undo: () => void
  redo: () => void
}

/** Whether the key belongs to a field or a control that has the focus. */
function isTyping(event: KeyboardEvent): boolean {
  const at = event.target
  return at instanceof HTMLElement && (at.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(at.tagName))
}
function isPressing(event: KeyboardEvent): boolean {
  return event.target instanceof HTMLElement && event.target.closest('button, a, [role=option], [role=menuitem], [role=dialog]') !== null
}

/** The keys that hold everywhere in the score room. In a field, undo is the field's own. */
export function useRoomKeys({ play, undo, redo }: RoomKeys): void {
  const edit = (act: () => void) => (event: KeyboardEvent) => {
    if (isTyping(event)) return
    event.preventDefault()
    act()
  }
  useKeys({
    Space: (event) => {
      if (isTyping(event) || isPressing(event)) return
      event.preventDefault()
      play()
    },
    '$mod+z': edit(undo),
    '$mod+Shift+z': edit(redo),
    '$mod+y': edit(redo),
  })
}
