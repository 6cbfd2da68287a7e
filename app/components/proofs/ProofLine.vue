<script setup lang="ts">
import { NuxtLink } from '#components'
import { computed, watch } from 'vue'
import { useDraftStore } from '../../stores/draft.ts'
import { useProofsStore } from '../../stores/proofs.ts'

/** What the proof sheet of the draft that is open says, in a line; it is drawn for that. */
const draft = useDraftStore()
const proofs = useProofsStore()
watch(
  () => draft.view?.id,
  (id) => id !== undefined && proofs.want(id),
  { immediate: true },
)
const isOwn = computed(() => proofs.boxId === draft.view?.id)
const words = computed(() => {
  const count = proofs.pictures.length
  const of = `${proofs.wrong} of ${count} pictures ${proofs.wrong === 1 ? 'has' : 'have'} something to mend`
  if (!isOwn.value || count === 0) return 'The proof sheet is being drawn…'
  if (proofs.isRunning) return `${of} so far; the rest is being looked at`
  return proofs.wrong === 0 ? `${count} pictures, nothing to mend` : of
})
</script>

<template>
  <p v-if="draft.view" role="status">
    <span :class="isOwn && proofs.wrong > 0 ? 'font-medium text-brick' : ''">{{ words }}.</span>
    <NuxtLink class="link ml-2 text-deep-sky" :to="`/rehearsal/proofs?box=${draft.view.id}`"
      >Look at the proof sheet</NuxtLink
    >
  </p>
</template>
