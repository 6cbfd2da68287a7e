<script setup lang="ts">
import { CircleGauge, PackagePlus } from '@lucide/vue'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { dialProblems, type DialProblem } from '../../../core/pack/turnDials.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import PackDialog from '../packs/PackDialog.vue'
import DesignDialRow from './DesignDialRow.vue'

/** The box as something to hand out: its own dials, and saving it as a pack. */
defineProps<{ disabled: boolean }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const isPackOpen = ref(false)
const dials = computed(() => draft.document?.design?.dials ?? [])
const problems = shallowRef<DialProblem[]>([])
/** Every dial is tried at its ends: once edits pause. */
watchDebounced(
  () => draft.document,
  (document) => (problems.value = document?.design ? dialProblems(document, document.design.dials) : []),
  { debounce: 300, immediate: true },
)
function pick(): void {
  view.isMakingDials = true
  view.panel = 'part'
}
</script>

<template>
  <section aria-label="Dials of your own" class="space-y-2">
    <h3 class="font-display text-base font-semibold">Hand this box out</h3>
    <p class="text-faded">
      {{
        dials.length === 0
          ? 'Declare a few dials, and whoever takes the box as a pack turns these, not every part. Colours, sizes, words, sounds: whatever a property is, it can be one.'
          : `${counted(dials.length, 'dial')} for whoever takes this box as a pack.`
      }}
    </p>
    <DesignDialRow
      v-for="dial in dials"
      :key="dial.id"
      :dial="dial"
      :problems="problems.filter(({ dialId }) => dialId === dial.id).map(({ words }) => words)"
      :disabled="disabled"
    />
    <div v-if="!disabled" class="flex flex-wrap gap-2 pt-1">
      <button type="button" class="button" @click="pick">
        <CircleGauge :size="15" aria-hidden="true" />Make a property a dial
      </button>
      <button type="button" class="button" @click="isPackOpen = true">
        <PackagePlus :size="15" aria-hidden="true" />Save as a pack…
      </button>
    </div>
    <PackDialog v-model:open="isPackOpen" :problems="problems" />
  </section>
</template>
