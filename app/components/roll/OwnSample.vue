<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed, shallowRef } from 'vue'
import { readCloudEvent } from '../../../contract/cloudEvent.ts'
import { kindOf } from '../../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../../core/events/schema.ts'
import { nothingTyped, type OwnSample } from '../../../core/response/ownSample.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { channelLanguages } from '../channel/settingChoices.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'

/** A sample of one's own beside the ready ones: typed, or something that happened. Nothing of it belongs to the box. */
const room = useScoreRoomStore()
const session = useSessionStore()
const kind = computed(() => kindOf(room.kind))
const hasMessage = computed(() => kind.value.variables.some(({ name }) => name === 'message'))
const languages = computed(() => [
  { value: '', label: 'the channel’s' },
  ...channelLanguages.filter(({ value }) => value !== session.session?.channel.locale),
])
const now = computed<OwnSample>(() => room.own ?? nothingTyped)
/** Whatever is typed is shown as such: an event that happened is left. */
const change = (changes: Partial<OwnSample>) => (room.own = { ...now.value, past: null, ...changes })

const pastMost = 12
const past = shallowRef<CanonicalEvent[] | null>(null)
const refusal = shallowRef('')
/** What happened lately of this kind, tests among it: who designs has often sent nothing else. */
async function loadPast(): Promise<void> {
  refusal.value = ''
  const answer = await fetch(
    `/api/history?${new URLSearchParams({ kind: room.kind, limit: String(pastMost), tests: 'too', as: 'ndjson' })}`,
  )
  if (!answer.ok) {
    refusal.value = 'What happened cannot be read just now.'
    return
  }
  const lines = (await answer.text()).split('\n').filter(Boolean).slice(0, pastMost)
  past.value = lines.flatMap((line) => {
    const read = readCloudEvent(JSON.parse(line))
    if (!read.ok) return []
    const { externalId, source, kind: of, data, occurredAtMs } = read.value
    return [{ kind: of, source, externalId, occurredAtMs: occurredAtMs ?? 0, data } as CanonicalEvent]
  })
}
const gistOf = ({ data }: CanonicalEvent) =>
  [data.viewer?.name ?? 'anonymous', data.message?.text ?? ''].filter(Boolean).join(': ')
const when = (ms: number) => new Date(ms).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <Popover class="relative">
    <PopoverButton
      class="rounded-sm border px-2 py-1 whitespace-nowrap"
      :class="
        room.own ? 'border-ink bg-sheet font-medium' : 'border-transparent text-deep-sky underline underline-offset-3'
      "
      title="Type what it is shown with, or take something that happened"
      @click="loadPast"
      >{{ room.own?.past ? 'happened' : 'typed' }}</PopoverButton
    >
    <PopoverPanel
      class="on-paper absolute right-0 z-40 mt-1 max-h-[70vh] w-80 space-y-3 overflow-y-auto rounded-sm border border-rule p-3 shadow-lg"
    >
      <p class="text-faded">What is left open is as in the sample beside it. Nothing of it goes on air.</p>
      <label v-if="!kind.isWithoutViewer" class="block"
        >Name
        <input
          class="field mt-0.5"
          maxlength="500"
          :value="now.name"
          @input="change({ name: ($event.target as HTMLInputElement).value })"
      /></label>
      <div v-if="kind.mainNumber">
        <span class="block">{{ kind.mainNumber.label }}</span>
        <NumberField
          :label="kind.mainNumber.label"
          :value="now.number ?? kind.mainNumber.usual"
          :unit="kind.mainNumber.unit"
          :min="0"
          :max="kind.mainNumber.most"
          :decimals="kind.mainNumber.per > 1 ? 2 : 0"
          @change="(number) => change({ number })"
        />
      </div>
      <label v-if="hasMessage" class="block"
        >Message
        <textarea
          class="field mt-0.5 h-16 py-1"
          maxlength="500"
          :value="now.message"
          @input="change({ message: ($event.target as HTMLTextAreaElement).value })"
        />
      </label>
      <div>
        <span class="block">Language of numbers, money and plurals</span>
        <ChoiceField
          label="Language of numbers, money and plurals"
          :value="now.locale ?? ''"
          :choices="languages"
          @change="(locale) => change({ locale: locale || null })"
        />
      </div>
      <section aria-label="Something that happened">
        <h3 class="caps mb-1 text-faded">Or something that happened</h3>
        <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
        <p v-else-if="past?.length === 0" class="text-faded">Nothing of this kind has happened yet.</p>
        <p v-else-if="past === null" class="text-faded" role="status">Looking…</p>
        <button
          v-for="each in past"
          :key="each.externalId"
          type="button"
          class="block w-full rounded-sm px-1.5 py-1 text-left hover:bg-rule/60"
          :class="room.own?.past?.externalId === each.externalId ? 'bg-rule' : ''"
          :aria-pressed="room.own?.past?.externalId === each.externalId"
          @click="room.own = { ...nothingTyped, locale: now.locale, past: each }"
        >
          <span class="block truncate">{{ gistOf(each) }}</span><span class="block text-2xs text-faded">{{
            when(each.occurredAtMs)
          }}</span>
        </button>
      </section>
      <button v-if="room.own" type="button" class="link text-deep-sky" @click="room.own = null">
        Back to the ready samples
      </button>
    </PopoverPanel>
  </Popover>
</template>
