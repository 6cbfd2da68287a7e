import { tinykeys, type KeyBindingMap } from 'tinykeys'
import { onBeforeUnmount, onMounted } from 'vue'

/** Binds keys of the whole window for as long as the component lives. */
export function useKeys(bindings: KeyBindingMap): void {
  let unbind = () => {}
  onMounted(() => (unbind = tinykeys(window, bindings)))
  onBeforeUnmount(() => unbind())
}
