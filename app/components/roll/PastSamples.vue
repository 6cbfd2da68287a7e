<script setup lang="ts">
import { shallowRef, watchEffect } from 'vue'
import { readCloudEvent } from '../../../contract/cloudEvent.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../../core/events/schema.ts'

/** What happened lately of a kind, to see an alert with. */
const props = defineProps<{ kind: EventKind; chosen: CanonicalEvent | null }>()
const emit = defineEmits<{ choose: [event: CanonicalEvent] }>()
const most = 12
const past = shallowRef<CanonicalEvent[] | null>(null)
const refusal = shallowRef('')

/** Tests among them: who designs has often sent nothing else. */
async function load(kind: EventKind): Promise<void> {
  const query = new URLSearchParams({ kind, limit: String(most), tests: 'too', as: 'ndjson' })
  const answer = await fetch(`/api/history?${query}`).catch(() => null)
  if (kind !== props.kind) return
  if (!answer?.ok) {
    refusal.value = 'What happened cannot be read just now.'
    return
  }
  const lines = (await answer.text()).split('\n').filter(Boolean).slice(0, most)
  past.value = lines.flatMap((line) => {
    const read = readCloudEvent(JSON.parse(line))
    if (!read.ok) return []
    const { externalId, source, data, occurredAtMs, receivedAtMs } = read.value
    const event = { kind: read.value.kind, source, externalId, occurredAtMs: occurredAtMs ?? receivedAtMs ?? 0, data }
    return [event as CanonicalEvent]
  })
}
watchEffect(() => {
  past.value = null
  refusal.value = ''
  void load(props.kind)
})
const gistOf = ({ data }: CanonicalEvent) =>
  [data.viewer?.name ?? 'anonymous', data.message?.text ?? ''].filter(Boolean).join(': ')
const when = (ms: number) => new Date(ms).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <section aria-label="Something that happened">
    <h2 class="caps mb-1 text-faded">Or something that happened</h2>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <p v-else-if="past === null" class="text-faded" role="status">Looking…</p>
    <p v-else-if="past.length === 0" class="text-faded">Nothing of this kind has happened yet.</p>
    <button
      v-for="each in past"
      :key="`${each.source} ${each.externalId}`"
      type="button"
      class="block w-full rounded-sm px-1.5 py-1 text-left hover:bg-rule/60"
      :class="chosen?.externalId === each.externalId ? 'bg-rule' : ''"
      :aria-pressed="chosen?.externalId === each.externalId"
      @click="emit('choose', each)"
    >
      <span class="block truncate">{{ gistOf(each) }}</span><span class="block text-2xs text-faded">{{
        when(each.occurredAtMs)
      }}</span>
    </button>
  </section>
</template>
