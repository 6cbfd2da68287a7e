<script setup lang="ts">
import { RotateCcw, X } from '@lucide/vue'
import { computed } from 'vue'
import { mediaLimits, type IntakeView } from '../../../contract/media.ts'
import { useArrivalSound } from '../../library/arrivalSound.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useUploadsStore } from '../../stores/uploads.ts'
import { bytesInWords } from '../../format/bytesInWords.ts'

/** Files on their way: being sent, being measured, and those that were refused with why and what to do. */
const media = useMediaStore()
const uploads = useUploadsStore()
const arriving = computed(() => media.intake.filter((each) => each.state !== 'ready'))
const stateWords: Record<IntakeView['state'], string> = {
  waiting: 'waits to be measured',
  measuring: 'is being measured…',
  ready: 'is here',
  refused: 'was not taken',
}
const percent = (sent: number, all: number) => (all > 0 ? Math.floor((sent / all) * 100) : 0)
const { decodeHere, decoding, refusal } = useArrivalSound()
</script>

<template>
  <section
    v-if="uploads.sending.length > 0 || arriving.length > 0"
    class="on-paper rounded-sm border border-rule"
    aria-label="Files on their way"
  >
    <ul class="divide-y divide-rule">
      <li
        v-for="file in uploads.sending"
        :key="`s${file.key}`"
        class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 px-3 py-1.5"
      >
        <span class="truncate font-medium">{{ file.name }}</span>
        <span class="flex items-center gap-2">
          <button
            v-if="file.state === 'failed' && file.sizeBytes <= mediaLimits.fileBytes"
            type="button"
            class="link flex items-center gap-1 text-deep-sky"
            @click="uploads.again(file.key)"
          >
            <RotateCcw :size="12" aria-hidden="true" />Try again
          </button>
          <button
            type="button"
            class="grid size-6 place-items-center rounded-sm hover:bg-rule/60"
            :aria-label="`Do not send ${file.name}`"
            @click="uploads.cancel(file.key)"
          >
            <X :size="14" aria-hidden="true" />
          </button>
        </span>
        <p v-if="file.state === 'failed'" class="col-span-2 text-brick" role="alert">{{ file.reason }}</p>
        <div v-else class="col-span-2 flex items-center gap-2">
          <div
            class="h-1.5 flex-1 overflow-hidden rounded-full bg-rule"
            role="progressbar"
            :aria-label="`Sending ${file.name}`"
            aria-valuemin="0"
            aria-valuemax="100"
            :aria-valuenow="percent(file.sentBytes, file.sizeBytes)"
          >
            <div class="h-full bg-moss" :style="{ width: `${percent(file.sentBytes, file.sizeBytes)}%` }" />
          </div>
          <span class="w-36 text-right font-mono text-2xs text-faded">{{
            file.state === 'waiting' ? 'waits' : `${bytesInWords(file.sentBytes)} of ${bytesInWords(file.sizeBytes)}`
          }}</span>
        </div>
      </li>
      <li
        v-for="file in arriving"
        :key="file.id"
        class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 px-3 py-1.5"
      >
        <span class="truncate"
          ><b class="font-medium">{{ file.name }}</b
          >{{ ' ' }}
          <span :class="file.state === 'refused' ? 'text-brick' : 'text-faded'">{{
            stateWords[file.state]
          }}</span></span
        >
        <button
          v-if="file.state === 'refused'"
          type="button"
          class="grid size-6 place-items-center rounded-sm hover:bg-rule/60"
          :aria-label="`Forget ${file.name}`"
          @click="media.dismiss(file.id)"
        >
          <X :size="14" aria-hidden="true" />
        </button>
        <span v-else />
        <p v-if="file.state === 'refused'" class="col-span-2 max-w-2xl">
          {{ file.reason }} {{ file.advice }}
          <button
            v-if="file.canDecodeHere"
            type="button"
            class="link ml-1 text-deep-sky"
            :disabled="decoding === file.id"
            @click="decodeHere(file)"
          >
            {{ decoding === file.id ? 'Reading the sound…' : 'Let this browser read its sound' }}
          </button>
        </p>
      </li>
    </ul>
    <p v-if="refusal" role="alert" class="border-t border-rule px-3 py-1.5 text-brick">{{ refusal }}</p>
  </section>
</template>
