<script setup lang="ts">
import { computed } from 'vue'
import type { QuietSentence } from '../../../core/queue/rules/quiet.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import TimeField from '../triggers/TimeField.vue'

/** When nothing begins, and what becomes of what comes meanwhile. */
const props = defineProps<{
  sentence: QuietSentence
  /** Scenes that the studio has told of. */
  scenes: readonly string[]
}>()
const emit = defineEmits<{ change: [sentence: QuietSentence] }>()
const doesChoices = [
  { value: 'collect', label: 'it waits' },
  { value: 'letGo', label: 'it is let go' },
] as const
const whenChoices = [
  { value: 'hours', label: 'within hours of the day' },
  { value: 'scenes', label: 'while the studio shows a scene' },
  { value: 'held', label: 'while the line is held' },
] as const
function setWhen(is: (typeof whenChoices)[number]['value']): void {
  const when = {
    hours: { is: 'hours' as const, from: 180, until: 240 },
    scenes: { is: 'scenes' as const, scenes: [props.scenes[0] ?? 'Back in five'] },
    held: { is: 'held' as const },
  }[is]
  emit('change', { ...props.sentence, when })
}
function toggleScene(scene: string): void {
  const { when } = props.sentence
  if (when.is !== 'scenes') return
  const next = when.scenes.includes(scene) ? when.scenes.filter((each) => each !== scene) : [...when.scenes, scene]
  if (next.length > 0) emit('change', { ...props.sentence, when: { is: 'scenes', scenes: next } })
}
const listedScenes = computed(() => {
  const { when } = props.sentence
  return [...new Set([...props.scenes, ...(when.is === 'scenes' ? when.scenes : [])])]
})
</script>

<template>
  <div class="space-y-2">
    <ChoiceField label="When it is quiet" :value="sentence.when.is" :choices="whenChoices" @change="setWhen" />
    <div v-if="sentence.when.is === 'hours'" class="grid grid-cols-2 gap-2">
      <TimeField
        label="From"
        :minute="sentence.when.from"
        @change="
          (from) => sentence.when.is === 'hours' && emit('change', { ...sentence, when: { ...sentence.when, from } })
        "
      />
      <TimeField
        label="Until"
        :minute="sentence.when.until"
        @change="
          (until) => sentence.when.is === 'hours' && emit('change', { ...sentence, when: { ...sentence.when, until } })
        "
      />
    </div>
    <template v-else-if="sentence.when.is === 'scenes'">
      <TickBox
        v-for="scene in listedScenes"
        :key="scene"
        :checked="sentence.when.scenes.includes(scene)"
        @change="toggleScene(scene)"
        >{{ scene }}</TickBox
      >
      <TypedField
        class="field"
        value=""
        maxlength="200"
        placeholder="another scene, as the studio calls it"
        aria-label="Another scene"
        @change="(scene) => scene.trim() && toggleScene(scene.trim())"
      />
    </template>
    <ChoiceField
      label="What comes meanwhile"
      :value="sentence.does"
      :choices="doesChoices"
      @change="(does) => emit('change', { ...sentence, does })"
    />
  </div>
</template>
