<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { Play, Square } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { Remark } from '../../../core/remarks/remark.ts'
import { request, wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import DraftState from '../frame/DraftState.vue'

defineProps<{ stateName: string; isPlaying: boolean; remarks: readonly Remark[] }>()
defineEmits<{ play: []; stop: [] }>()
/** Whether the stage shows what is true tonight. */
const isReal = defineModel<boolean>('isReal', { required: true })
const draft = useDraftStore()
const live = useLiveStore()
const room = useScoreRoomStore()
const said = ref('')
const isRefused = ref(false)
const isSending = ref(false)
const sources = computed(() => live.sourcesOf(draft.view?.id ?? '').length)
const datas = [
  { value: false, name: 'made up' },
  { value: true, name: 'true, of tonight' },
]

async function sendTest(): Promise<void> {
  if (!draft.view) return
  isSending.value = true
  try {
    await request('POST', `/api/boards/${draft.view.id}/tests`)
    said.value = 'The sources show something made up for eight seconds. Nothing of it counts.'
    isRefused.value = false
  } catch (error) {
    said.value = wordsOf(error)
    isRefused.value = true
  }
  isSending.value = false
}
</script>

<template>
  <div class="flex min-h-0 min-w-0 flex-col gap-4 overflow-x-hidden overflow-y-auto py-3 pr-3">
    <section aria-label="What the stage shows">
      <p class="font-display text-xl leading-tight font-semibold">{{ isReal ? 'As it is now' : stateName }}</p>
      <button v-if="!isReal" type="button" class="button mt-3" @click="isPlaying ? $emit('stop') : $emit('play')">
        <component :is="isPlaying ? Square : Play" :size="14" aria-hidden="true" />{{ isPlaying ? 'Stop' : 'Play' }}
      </button>
      <RadioGroup v-model="isReal" class="mt-3">
        <RadioGroupLabel as="p" class="text-mist">What it is filled with</RadioGroupLabel>
        <RadioGroupOption
          v-for="{ value, name } in datas"
          :key="name"
          v-slot="{ checked }"
          :value="value"
          class="mt-1 cursor-pointer rounded-sm"
          ><span
            class="block rounded-sm border px-2 py-1"
            :class="checked ? 'border-sky bg-clip-dim text-snow' : 'border-seam text-mist hover:border-mist'"
            >{{ name }}</span
          ></RadioGroupOption
        >
      </RadioGroup>
    </section>
    <section v-if="remarks.length > 0" aria-label="Remarks">
      <button type="button" class="link text-left text-mist" @click="room.select(null)">
        {{ counted(remarks.length, 'remark') }}
      </button>
    </section>
    <section class="border-t border-seam pt-3" aria-label="Test">
      <h2 class="font-semibold">Test on the sources</h2>
      <p :class="sources > 0 ? 'text-fine' : 'text-mist'">
        {{ sources > 0 ? `${counted(sources, 'source')} connected` : 'no source connected' }}
      </p>
      <button
        type="button"
        class="button mt-2"
        :disabled="isSending || !draft.view?.onAir || sources === 0"
        @click="sendTest"
      >
        Show a test
      </button>
      <p role="status" class="mt-2" :class="isRefused ? 'text-wrong' : 'text-snow'">{{ said }}</p>
      <p v-if="!draft.view?.onAir" class="text-mist">Put the board on air first: sources show what is on air.</p>
    </section>
    <DraftState class="mt-auto" />
  </div>
</template>
