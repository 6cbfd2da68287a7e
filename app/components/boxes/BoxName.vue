<script setup lang="ts">
import { NuxtLink } from '#components'
import { nextTick, ref, watch } from 'vue'
import type { BoxSummary } from '../../../contract/views.ts'
import { useBoxActs } from './useBoxActs.ts'

/** A box's name as the way to it; renamed in place: Enter keeps, Escape leaves it as it was. */
const props = defineProps<{ box: BoxSummary }>()
const isRenaming = defineModel<boolean>('renaming', { required: true })
const acts = useBoxActs()
const field = ref<HTMLInputElement>()

watch(isRenaming, async (now) => {
  if (!now) return
  await nextTick()
  // A menu that closes gives the focus back to its button first.
  await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))
  field.value?.select()
  field.value?.focus()
})
function keep(): void {
  if (!isRenaming.value) return
  isRenaming.value = false
  const name = field.value?.value.trim() ?? ''
  if (name && name !== props.box.name) void acts.rename(props.box, name)
}
</script>

<template>
  <h2 class="min-w-0 font-display text-lg font-semibold">
    <input
      v-if="isRenaming"
      ref="field"
      class="on-paper w-full rounded-xs px-1"
      :value="box.name"
      maxlength="80"
      :aria-label="`Name of the ${box.isBoard ? 'board' : 'box'}`"
      @keydown.enter="keep"
      @keydown.escape="isRenaming = false"
      @blur="keep"
    />
    <NuxtLink
      v-else
      :to="`/${box.isBoard ? 'boards' : 'boxes'}/${box.id}`"
      class="block truncate rounded-sm hover:underline"
      >{{ box.name }}</NuxtLink
    >
  </h2>
</template>
