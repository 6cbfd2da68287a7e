<script setup lang="ts">
import { MicOff, Speech } from '@lucide/vue'
import { computed } from 'vue'
import type { PlayView } from '../../../contract/views.ts'
import { seconds } from '../../format/time.ts'
import { readText, unreadWords, writtenText } from './speechWords.ts'

/** What will be said of a play, to be read before it is heard; and whether it may be. */
const props = defineProps<{ play: PlayView }>()
defineEmits<{ read: [isRead: boolean] }>()
const text = computed(() => readText(props.play))
const unread = computed(() => unreadWords(props.play))
const written = computed(() => writtenText(props.play))
const lengthMs = computed(() =>
  (props.play.speech?.sayings ?? []).reduce((sum, { durationMs }) => sum + (durationMs ?? 0), 0),
)
const isAwaiting = computed(() => props.play.approval === 'awaiting')
const hasMessage = computed(
  () => props.play.speech?.sayings.some(({ of, outcome }) => of === 'message' && outcome !== 'refused') ?? false,
)
</script>

<template>
  <div v-if="play.speech || isAwaiting" class="mt-1.5 border-t border-seam pt-1.5">
    <p v-if="text" class="flex min-w-0 items-start gap-1.5">
      <Speech :size="14" class="mt-0.5 shrink-0 text-mist" aria-label="will be read" /><span
        class="min-w-0 break-words"
        dir="auto"
        >{{ text
        }}<span class="ml-1.5 font-mono text-2xs text-mist">{{
          play.speech?.state === 'making' ? 'being spoken…' : `${seconds(lengthMs)} s`
        }}</span></span
      >
    </p>
    <p v-if="unread" class="flex items-start gap-1.5 text-glow">
      <MicOff :size="14" class="mt-0.5 shrink-0" aria-hidden="true" />{{ unread }}
    </p>
    <p v-if="written" class="mt-0.5 line-clamp-2 text-2xs break-words text-mist">
      written: <bdi>{{ written }}</bdi>
    </p>
    <div v-if="isAwaiting" class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="button button-bolt min-h-7! px-2.5!" @click="$emit('read', true)">
        Let it be read</button
      ><button type="button" class="button min-h-7! px-2.5!" @click="$emit('read', false)">Show it unread</button>
    </div>
    <p v-else-if="hasMessage && play.approval !== 'withheld'" class="mt-1">
      <button type="button" class="link text-2xs text-mist hover:text-snow" @click="$emit('read', false)">
        Do not read it
      </button>
    </p>
    <p v-else-if="play.approval === 'withheld'" class="mt-1">
      <button type="button" class="link text-2xs text-mist hover:text-snow" @click="$emit('read', true)">
        Read it after all
      </button>
    </p>
  </div>
</template>
