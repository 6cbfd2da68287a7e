<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed } from 'vue'
import { kindOf } from '../../../core/events/kinds.ts'
import { nothingTyped, type OwnSample } from '../../../core/response/ownSample.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { channelLanguages } from '../channel/settingChoices.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import PastSamples from './PastSamples.vue'

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
</script>

<template>
  <Popover class="relative">
    <PopoverButton
      class="rounded-sm border px-2 py-1 whitespace-nowrap"
      :class="
        room.own ? 'border-ink bg-sheet font-medium' : 'border-transparent text-deep-sky underline underline-offset-3'
      "
      title="Type what it is shown with, or take something that happened"
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
      <PastSamples
        :kind="room.kind"
        :chosen="room.own?.past ?? null"
        @choose="(past) => (room.own = { ...nothingTyped, locale: now.locale, past })"
      />
      <button v-if="room.own" type="button" class="link text-deep-sky" @click="room.own = null">
        Back to the ready samples
      </button>
    </PopoverPanel>
  </Popover>
</template>
