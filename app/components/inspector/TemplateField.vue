<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useId, watch } from 'vue'
import type { VariableDeclaration } from '../../../core/events/kindDefinition.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import { togetherVariables } from '../../../core/events/together.ts'
import { variablesOf } from '../../../core/events/variables.ts'
import { variablesIn, valuesIn } from '../../../core/score/valuesIn.ts'
import { fillTemplate } from '../../../core/text/fillTemplate.ts'
import { plainText } from '../../../core/text/textPiece.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { parseTemplate } from '../../../core/text/template.ts'
import type { TemplateEditor } from './templateEditor.ts'
import { templateRemark } from './templateRemark.ts'

/** Words with variables: chips in the text, completion after a brace, and what is wrong in words beneath. */
const props = defineProps<{
  value: string
  label: string
  kinds: readonly EventKind[]
  /** What the words can say, where that is not what events carry. */
  own?: readonly VariableDeclaration[]
  disabled: boolean
}>()
const emit = defineEmits<{ change: [template: string] }>()
const host = ref<HTMLElement>()
const editor = shallowRef<TemplateEditor | null>(null)
const remarkId = useId()
const room = useScoreRoomStore()
const variables = computed(
  () =>
    props.own ?? [
      ...variablesOf(props.kinds),
      ...(room.composition ? variablesIn(room.composition) : []),
      ...(room.variation?.isForSeveral ? togetherVariables : []),
    ],
)
const view = useRoomViewStore()
/** What the words give for what the alert is shown with; nothing where they say just that. */
const given = computed(() => {
  if (!view.shownWith || !room.composition || props.own) return ''
  const { event, locale } = view.shownWith
  const text = plainText(fillTemplate(props.value, valuesIn(room.composition, event), locale))
  return text === props.value ? '' : text
})
const remark = computed(() => templateRemark(parseTemplate(props.value), variables.value))

onMounted(async () => {
  // The editor is loaded when words are first edited, not with the page.
  const { createTemplateEditor } = await import('./templateEditor.ts')
  if (!host.value) return
  editor.value = createTemplateEditor({
    parent: host.value,
    text: props.value,
    label: props.label,
    variables: variables.value,
    isReadOnly: props.disabled,
    onChange: (text) => text !== props.value && emit('change', text),
  })
})
watch(
  () => props.value,
  (text) => editor.value?.setText(text),
)
watch(variables, (next) => editor.value?.setVariables(next))
onBeforeUnmount(() => editor.value?.destroy())
</script>

<template>
  <div class="space-y-1.5">
    <div ref="host" class="field template-field min-h-14 px-1 py-0.5 font-medium" :aria-describedby="remarkId">
      <span v-if="!editor" class="px-1">{{ value }}</span>
    </div>
    <p :id="remarkId" :class="remark ? 'text-brick' : 'sr-only'">{{ remark || 'The words are fine.' }}</p>
    <p v-if="given" class="text-faded" data-given>
      Shown now: <bdi class="font-medium text-ink">{{ given }}</bdi>
    </p>
    <div v-if="!disabled" class="flex flex-wrap items-center gap-1" role="group" aria-label="Variables">
      <button
        v-for="variable in variables"
        :key="variable.name"
        type="button"
        class="rounded-sm border border-rule bg-sheet px-1.5 py-0.5 font-mono text-2xs hover:border-ink"
        :title="`${variable.means}: put it where the cursor is`"
        @click="editor?.insert(`{${variable.name}\}`)"
      >
        {{ `{${variable.name}\}` }}
      </button>
    </div>
  </div>
</template>
