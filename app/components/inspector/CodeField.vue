<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useId, watch } from 'vue'
import { lineAt } from '../../../core/score/parts/code/codeProblem.ts'
import { problemsOf } from '../../../core/score/parts/code/readLately.ts'
import { counted } from '../../format/counted.ts'
import type { CodeEditor, CodeName } from './codeEditor.ts'

/** HTML or CSS that is edited where it stands; what of it is left out is said beneath. */
const props = defineProps<{
  value: string
  label: string
  language: 'html' | 'css'
  names: readonly CodeName[]
  most: number
  disabled: boolean
}>()
const emit = defineEmits<{ change: [text: string] }>()
const host = ref<HTMLElement>()
const editor = shallowRef<CodeEditor | null>(null)
const remarkId = useId()
const isTooLong = ref(false)
const remark = computed(() => {
  if (isTooLong.value) return `More than ${props.most} letters: the last change was not taken.`
  const problems = problemsOf(props.language, props.value)
  const [first] = problems
  if (!first) return ''
  const more = problems.length > 1 ? ` And ${counted(problems.length - 1, 'more remark')}.` : ''
  return `Line ${lineAt(props.value, first.at)}: ${first.reason}.${more}`
})

onMounted(async () => {
  // Its languages are loaded when code is first edited, not with the page.
  const { createCodeEditor } = await import('./codeEditor.ts')
  if (!host.value) return
  editor.value = createCodeEditor({
    parent: host.value,
    language: props.language,
    text: props.value,
    label: props.label,
    names: props.names,
    isReadOnly: props.disabled,
    onChange(text) {
      isTooLong.value = text.length > props.most
      if (text !== props.value && !isTooLong.value) emit('change', text)
    },
  })
})
watch(
  () => props.value,
  (text) => !isTooLong.value && editor.value?.setText(text),
)
watch(
  () => props.names,
  (next) => editor.value?.setNames(next),
)
onBeforeUnmount(() => editor.value?.destroy())
</script>

<template>
  <div class="space-y-1">
    <div class="flex items-baseline justify-between">
      <span class="text-faded">{{ label }}</span>
      <slot />
    </div>
    <div
      ref="host"
      class="field code-field max-h-80 min-h-24 overflow-auto px-1 py-0.5 font-mono text-2xs"
      :aria-describedby="remarkId"
    >
      <pre v-if="!editor" class="px-1">{{ value }}</pre>
    </div>
    <p :id="remarkId" :class="remark ? 'text-brick' : 'sr-only'">{{ remark || 'All of it is drawn.' }}</p>
  </div>
</template>
