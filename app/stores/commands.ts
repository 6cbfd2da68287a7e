import { defineStore } from 'pinia'
import { computed, onBeforeUnmount, shallowReactive } from 'vue'

/** Something that can be done, by name from the command palette and by key. */
export interface Command {
  name: string
  /** As tinykeys writes it, e.g. `$mod+g`; null for commands without a key. */
  keys: string | null
  /** The browser tells of its key by an event of its own, which is listened to elsewhere. */
  isEvent?: true
  /** Where the key map lists it. */
  group: string
  run: () => unknown
}

/** What can be done on the screen that is open; screens add theirs and take them away. */
export const useCommandsStore = defineStore('commands', () => {
  const sets = shallowReactive(new Set<readonly Command[]>())
  return {
    all: computed(() => [...sets].flat()),
    add(commands: readonly Command[]): () => void {
      sets.add(commands)
      return () => sets.delete(commands)
    },
  }
})

/** Offers commands for as long as the component lives. */
export function useCommands(commands: readonly Command[]): void {
  const remove = useCommandsStore().add(commands)
  onBeforeUnmount(remove)
}

const keyWords: Record<string, string> = {
  $mod: 'Ctrl',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  BracketLeft: '[',
  BracketRight: ']',
  Equal: '+',
  Minus: '−',
  Digit0: '0',
  Delete: 'Del',
}

/** A key as people read it. */
export function keyLabel(keys: string): string {
  return keys
    .split('+')
    .map((key) => keyWords[key] ?? (key.length === 1 ? key.toUpperCase() : key))
    .join(' ')
}
