<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { ref } from 'vue'
import { boardStates, type BoardState } from '../../../core/board/boardStates.ts'
import type { BoxDocument } from '../../../core/composition/box.ts'
import BoardTile from './BoardTile.vue'
import { stateWords } from './stateWords.ts'

/** The states of a board side by side: the one that is chosen stands on the stage. */
defineProps<{ document: BoxDocument }>()
const emit = defineEmits<{ play: [state: BoardState] }>()
const chosen = defineModel<BoardState>({ required: true })
const lookedAt = ref<BoardState | null>(null)
function choose(state: BoardState): void {
  chosen.value = state
  emit('play', state)
}
</script>

<template>
  <RadioGroup :model-value="chosen" class="border-t border-seam bg-ridge px-4 pt-2.5 pb-3" @update:model-value="choose">
    <RadioGroupLabel as="p" class="sr-only">States of the board</RadioGroupLabel>
    <div class="grid grid-cols-6 gap-3">
      <RadioGroupOption
        v-for="state in boardStates"
        :key="state"
        v-slot="{ checked }"
        :value="state"
        class="group min-w-0 cursor-pointer rounded-sm"
        @mouseenter="lookedAt = state"
        @mouseleave="lookedAt = null"
        @click="state === chosen && emit('play', state)"
      >
        <div
          class="h-24 rounded-sm border bg-night p-1"
          :class="checked ? 'border-sky outline-1 outline-sky' : 'border-seam group-hover:border-mist'"
        >
          <BoardTile :document="document" :state="state" :is-moving="lookedAt === state" />
        </div>
        <p class="mt-1 truncate leading-tight font-semibold">{{ stateWords[state].name }}</p>
        <p class="truncate text-2xs text-mist">{{ checked ? 'shown above' : stateWords[state].means }}</p>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
