<script setup lang="ts">
import { Switch } from '@headlessui/vue'
import { Pencil } from '@lucide/vue'
import { computed, nextTick, ref } from 'vue'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Sentence } from '../../../core/queue/policy.ts'
import { noteOf, piecesOf, wordsOfSentence, type PolicyNames } from '../../../core/queue/policyWords.ts'
import SlotEditor from './SlotEditor.vue'

/** One sentence of a policy: what can be changed in it is underlined, and changed beneath. */
const props = defineProps<{
  sentence: Sentence
  names: PolicyNames
  shown: readonly EventKind[]
  cases: readonly { id: string; name: string }[]
  scenes: readonly string[]
  remark: string
  isFirst: boolean
  canEdit: boolean
}>()
defineEmits<{ change: [sentence: Sentence]; turn: [isOn: boolean]; remove: []; earlier: [] }>()
const isOpen = defineModel<boolean>('open', { required: true })
const pieces = computed(() => piecesOf(props.sentence, props.names))
const words = computed(() => wordsOfSentence(props.sentence, props.names))
const note = computed(() => noteOf(props.sentence))
const editor = ref<HTMLElement>()

async function toggle(): Promise<void> {
  isOpen.value = !isOpen.value
  await nextTick()
  editor.value?.querySelector<HTMLElement>('input, button')?.focus()
}
</script>

<template>
  <li class="border-t border-rule py-2.5">
    <div class="flex items-start gap-4">
      <p class="min-w-0 flex-1 text-base leading-relaxed" :class="sentence.isOn ? '' : 'text-faded'">
        <template v-for="(piece, at) in pieces" :key="at">
          <template v-if="typeof piece === 'string'">{{ piece }}</template>
          <button
            v-else-if="canEdit"
            type="button"
            class="rounded-xs font-semibold text-deep-sky underline underline-offset-4"
            :aria-expanded="isOpen"
            @click="toggle"
          >
            {{ piece.text }}
          </button>
          <b v-else>{{ piece.text }}</b>
        </template>
      </p>
      <button
        v-if="canEdit"
        type="button"
        class="mt-0.5 grid size-6 shrink-0 place-items-center rounded-sm text-faded hover:bg-rule/60 hover:text-ink"
        :aria-label="`Change: ${words}`"
        :aria-expanded="isOpen"
        title="Change"
        @click="toggle"
      >
        <Pencil :size="14" aria-hidden="true" />
      </button>
      <Switch
        :model-value="sentence.isOn"
        :disabled="!canEdit"
        class="relative mt-0.5 h-5 w-9 shrink-0 rounded-full transition-colors disabled:opacity-60"
        :class="sentence.isOn ? 'bg-moss' : 'bg-faded'"
        :aria-label="words"
        @update:model-value="(isOn) => $emit('turn', isOn)"
      >
        <span
          class="absolute top-0.5 left-0.5 size-4 rounded-full bg-white transition-transform"
          :class="sentence.isOn ? 'translate-x-4' : ''"
        />
      </Switch>
    </div>
    <p v-if="note" class="text-faded">{{ note }}</p>
    <p v-if="remark" class="text-brick" role="status">{{ remark }}</p>
    <div
      v-if="isOpen && canEdit"
      ref="editor"
      class="mt-2 space-y-3 rounded-sm border border-rule bg-sheet p-3"
      role="group"
      :aria-label="words"
      @keydown.esc.stop="isOpen = false"
    >
      <SlotEditor
        :sentence="sentence"
        :shown="shown"
        :cases="cases"
        :scenes="scenes"
        @change="(next) => $emit('change', next)"
      />
      <div class="flex flex-wrap gap-4">
        <button type="button" class="link text-deep-sky" @click="isOpen = false">Done</button>
        <button v-if="!isFirst" type="button" class="link text-deep-sky" @click="$emit('earlier')">
          Say it earlier
        </button>
        <button type="button" class="link text-brick" @click="$emit('remove')">Remove</button>
      </div>
    </div>
  </li>
</template>
