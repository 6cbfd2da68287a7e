/** Whether an event belongs to words that are being written. */
export function isTyping({ target }: Event): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}
/** A key that means something to what has the focus: it is left to it. */
export function isPressing({ target }: Event): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('button, a, [role=option], [role=menuitem], [role=dialog], [role=listbox]') !== null
  )
}
/** An open list is searched by typing: single letters are its own. */
export function isInList({ target }: Event): boolean {
  return target instanceof HTMLElement && target.closest('[role=listbox], [role=menu], [role=combobox]') !== null
}
export const inDialog = ({ target }: Event) => target instanceof HTMLElement && target.closest('[role=dialog]') !== null
