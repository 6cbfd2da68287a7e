<script setup lang="ts">
import { useThrottleFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { actWords, type ActView } from '../../../contract/acts.ts'
import { request, wordsOf } from '../../api/request.ts'
import { clockTime } from '../../format/time.ts'

/** Who did what at the desk, newest first. @prop changed differs with everything that may have been done */
const props = defineProps<{ boxId: string; changed: string }>()
const acts = ref<ActView[] | null>(null)
const refusal = ref('')

async function load(): Promise<void> {
  try {
    acts.value = (await request<{ acts: ActView[] }>('GET', `/api/boxes/${props.boxId}/acts`)).acts
    refusal.value = ''
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
const loadSoon = useThrottleFn(load, 500, true)
watch(() => [props.boxId, props.changed], loadSoon, { immediate: true })
/** What stands before and behind the name of whose alert it was. */
const parts = ({ did }: ActView) => actWords[did].split('…')
</script>

<template>
  <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
  <ol
    v-else-if="acts?.length"
    class="min-h-0 divide-y divide-rule overflow-y-auto border-y border-rule"
    aria-label="Who did what"
  >
    <li v-for="act in acts" :key="act.seq" class="grid grid-cols-[2.9rem_minmax(0,1fr)] items-baseline gap-2 py-2">
      <time class="font-mono text-2xs text-faded" :datetime="new Date(act.atMs).toISOString()">{{
        clockTime(act.atMs)
      }}</time>
      <p class="break-words">
        <b>{{ act.by }}</b> {{ parts(act)[0] }}<bdi v-if="act.name">{{ act.name }}</bdi
        >{{ parts(act)[1] }}
      </p>
    </li>
  </ol>
  <p v-else-if="acts" class="text-faded">
    Nobody has done anything yet. Whoever holds, skips, clears or silences stands here, with the time.
  </p>
</template>
