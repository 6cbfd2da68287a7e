<script setup lang="ts">
import { computed } from 'vue'
import { mainKind, type Alert } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { vHint } from '../../hints/hint.ts'
import KindMark from '../frame/KindMark.vue'

/** One alert of the roll: its kind's mark, with its name where there is room or where it is the chosen one. */
const props = defineProps<{ alert: Alert; isChosen: boolean; isNamed: boolean }>()
defineEmits<{ choose: [] }>()
const name = computed(() => kindNames[mainKind(props.alert)])
const others = computed(() => props.alert.kinds.slice(1).map((kind) => kindNames[kind]))
const state = computed(() => {
  if (!props.alert.isOn) return 'off'
  return props.alert.variations.length > 1 ? String(props.alert.variations.length) : ''
})
const hint = computed(() => {
  const more = others.value.length > 0 ? `, with ${others.value.join(', ')}` : ''
  const cases = props.alert.variations.length > 1 ? `: ${props.alert.variations.length} cases` : ''
  return `${name.value}${more}${cases}${props.alert.isOn ? '' : ', off'}`
})
const isWhole = computed(() => props.isNamed || props.isChosen)
const ink = computed(() => {
  if (props.isChosen) return 'on-paper font-medium'
  return props.alert.isOn ? 'text-snow hover:bg-ridge' : 'text-mist hover:bg-ridge'
})
</script>

<template>
  <button
    v-hint="isWhole && others.length === 0 ? '' : hint"
    type="button"
    class="flex h-7 shrink-0 items-center gap-1.5 rounded-sm -outline-offset-2"
    :class="[ink, isWhole ? 'px-1.5' : 'px-0.5']"
    :aria-current="isChosen ? 'true' : undefined"
    :aria-label="name"
    :tabindex="isChosen ? 0 : -1"
    data-roll
    @click="$emit('choose')"
  >
    <KindMark :kind="mainKind(alert)" />
    <template v-if="isWhole">
      {{ name }}<span v-if="others.length > 0" class="text-2xs opacity-80">+{{ others.length }}</span>
      <span v-if="state" class="font-mono text-2xs opacity-80" aria-hidden="true">{{ state }}</span>
    </template>
  </button>
</template>
