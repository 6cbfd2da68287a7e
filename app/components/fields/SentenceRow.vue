<script setup lang="ts">
import { useId } from 'vue'

/** One sentence of what can be changed: what it is about, what it says, and beneath, once that is pressed, how to have it say something else. */
defineProps<{ label: string; says: string; canEdit: boolean }>()
/** Its own business, unless somebody else opens and closes it. */
const isOpen = defineModel<boolean>('open', { default: false })
const id = useId()
</script>

<template>
  <div>
    <div class="grid grid-cols-[6.25rem_minmax(0,1fr)] items-baseline gap-3">
      <span :id="`${id}-label`" class="text-mist">{{ label }}</span>
      <button
        v-if="canEdit"
        type="button"
        class="min-w-0 justify-self-start rounded-xs text-left underline decoration-mist decoration-1 underline-offset-4 hover:decoration-glow"
        :class="isOpen ? 'decoration-glow! decoration-2!' : ''"
        :aria-expanded="isOpen"
        :aria-controls="`${id}-editor`"
        :aria-labelledby="`${id}-label ${id}-says`"
        @click="isOpen = !isOpen"
      >
        <span :id="`${id}-says`" class="break-words">{{ says }}</span>
      </button>
      <span v-else class="min-w-0 break-words">{{ says }}</span>
    </div>
    <div
      v-if="isOpen && canEdit"
      :id="`${id}-editor`"
      class="on-paper mt-2 mb-1 space-y-2 rounded-sm p-3"
      role="group"
      :aria-labelledby="`${id}-label`"
      @keydown.esc.stop="isOpen = false"
    >
      <slot />
    </div>
  </div>
</template>
