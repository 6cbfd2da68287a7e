<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { BroadcastView } from '../../../contract/broadcasts.ts'
import { dialRanges, usualDials, type NightDials } from '../../../core/rehearsal/readyNights.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { whenWords } from '../after/afterWords.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** A night that somebody chose. */
export type ChosenNight =
  | { is: 'longQueue' }
  | { is: 'dials'; dials: NightDials }
  | { is: 'broadcast'; broadcast: BroadcastView }
  | { is: 'file'; file: File }

const props = defineProps<{ broadcasts: readonly BroadcastView[] }>()
const emit = defineEmits<{ choose: [night: ChosenNight] }>()
const isOpen = defineModel<boolean>('open', { required: true })
const channel = useChannel()
const dials = ref<NightDials>({ ...usualDials })
const picked = ref<'longQueue' | 'broadcast' | 'dials' | 'file'>('longQueue')
const broadcastId = ref('')
const file = ref<File | null>(null)
watch(
  () => props.broadcasts,
  (list) => (broadcastId.value ||= list[0]?.id ?? ''),
  { immediate: true },
)

const rows: { key: keyof typeof dialRanges; words: string; unit: string }[] = [
  { key: 'hours', words: 'It lasts', unit: 'h' },
  { key: 'follows', words: 'Follows', unit: 'an hour' },
  { key: 'tips', words: 'Tips', unit: 'an hour' },
  { key: 'subscriptions', words: 'Subs', unit: 'an hour' },
  { key: 'redemptions', words: 'Redemptions', unit: 'an hour' },
  { key: 'commands', words: 'Commands', unit: 'an hour' },
  { key: 'raids', words: 'Raids', unit: '' },
  { key: 'raidSize', words: 'with each come', unit: '' },
  { key: 'trays', words: 'Trays of gifts', unit: '' },
  { key: 'traySize', words: 'in each are', unit: '' },
]
const chosen = computed<ChosenNight | null>(() => {
  if (picked.value === 'longQueue') return { is: 'longQueue' }
  if (picked.value === 'dials') return { is: 'dials', dials: { ...dials.value } }
  if (picked.value === 'file') return file.value && { is: 'file', file: file.value }
  const broadcast = props.broadcasts.find(({ id }) => id === broadcastId.value)
  return broadcast ? { is: 'broadcast', broadcast } : null
})
function choose(): void {
  if (!chosen.value) return
  emit('choose', chosen.value)
  isOpen.value = false
}
function takeFile(event: Event): void {
  file.value = (event.target as HTMLInputElement).files?.[0] ?? null
  picked.value = 'file'
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Which night?">
    <fieldset class="space-y-3">
      <legend class="sr-only">Which night</legend>
      <div>
        <label class="flex items-baseline gap-2">
          <input v-model="picked" type="radio" value="longQueue" />
          <span
            ><b class="font-semibold">The night of the long queue</b>
            <span class="block text-faded"
              >904 events in six hours, with a raid of 117 and fifty gifts within seconds</span
            ></span
          >
        </label>
      </div>
      <div>
        <label class="flex items-baseline gap-2">
          <input v-model="picked" type="radio" value="broadcast" :disabled="broadcasts.length === 0" />
          <b class="font-semibold">One of your broadcasts</b>
        </label>
        <p v-if="broadcasts.length === 0" class="pl-6 text-faded">There has been none yet.</p>
        <select
          v-else
          v-model="broadcastId"
          class="field mt-1 ml-6 w-auto!"
          aria-label="Broadcast"
          @change="picked = 'broadcast'"
        >
          <option v-for="each in broadcasts" :key="each.id" :value="each.id">{{ whenWords(each, channel) }}</option>
        </select>
      </div>
      <div>
        <label class="flex items-baseline gap-2">
          <input v-model="picked" type="radio" value="dials" />
          <b class="font-semibold">One that never was</b>
        </label>
        <div
          v-if="picked === 'dials'"
          class="mt-1 grid grid-cols-[7.5rem_minmax(0,1fr)_6rem] items-center gap-x-3 gap-y-1 pl-6"
        >
          <template v-for="row in rows" :key="row.key">
            <label
              :for="`dial-${row.key}`"
              :class="row.words.startsWith('with') || row.words.startsWith('in ') ? 'pl-4 text-faded' : ''"
              >{{ row.words }}</label
            >
            <input
              :id="`dial-${row.key}`"
              v-model.number="dials[row.key]"
              type="range"
              class="accent-deep-sky"
              :min="dialRanges[row.key][0]"
              :max="dialRanges[row.key][1]"
            />
            <output :for="`dial-${row.key}`" class="font-mono text-xs">{{ dials[row.key] }} {{ row.unit }}</output>
          </template>
          <span>Drawn anew</span>
          <button type="button" class="button justify-self-start" @click="dials.seed += 1">Another of the same</button>
          <output class="font-mono text-xs">no. {{ dials.seed }}</output>
        </div>
      </div>
      <div>
        <label class="flex items-baseline gap-2">
          <input v-model="picked" type="radio" value="file" />
          <b class="font-semibold">A file</b>
        </label>
        <p class="pl-6 text-faded">CloudEvents, one on each line, as History saves them.</p>
        <p class="mt-1 flex items-center gap-2 pl-6">
          <label class="button cursor-pointer focus-within:outline-2 focus-within:outline-sky"
            >Choose a file<input
              type="file"
              accept=".ndjson,.jsonl,application/x-ndjson"
              class="sr-only"
              aria-label="File with a night"
              @change="takeFile"
          /></label>
          <span class="truncate">{{ file?.name }}</span>
        </p>
      </div>
    </fieldset>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Cancel</button>
      <button type="button" class="button button-bolt" :disabled="!chosen" @click="choose">Rehearse it</button>
    </template>
  </PaperDialog>
</template>
