<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import type { PastMessage, SayAnswer } from '../../../contract/speech.ts'
import { trialMessages } from '../../../core/speech/trialMessages.ts'
import { request, wordsOf } from '../../api/request.ts'
import { languageName } from '../../format/languageName.ts'
import { useSpeechStore } from '../../stores/speech.ts'
import HeardLine from './HeardLine.vue'
import StepTrail from './StepTrail.vue'
import { abuseWords } from './stepWords.ts'

/** Any text, typed or taken from what viewers wrote: what each step does to it, and how it sounds. */
const speech = useSpeechStore()
const text = ref('')
const emotes = ref<PastMessage['emotes']>([])
const answer = ref<SayAnswer | null>(null)
const refusal = ref('')
const isAsking = ref(false)
const past = ref<PastMessage[] | null>(null)
const from = ref<'past' | 'abusive' | 'innocent'>('past')
const shelves = [
  { id: 'past', words: 'what viewers wrote' },
  { id: 'abusive', words: 'abuse to try' },
  { id: 'innocent', words: 'innocent ones' },
] as const
const picks = computed(() => {
  if (from.value === 'past')
    return (past.value ?? []).map((message) => ({
      key: message.eventId,
      who: message.name,
      text: message.text,
      emotes: message.emotes,
    }))
  return trialMessages
    .filter(({ abuse }) => (abuse === null) === (from.value === 'innocent'))
    .map((message, index) => ({
      key: String(index),
      who: message.abuse === null ? 'innocent' : abuseWords[message.abuse],
      text: message.text,
      emotes: [],
    }))
})
const voiceName = computed(() => {
  const { voice } = answer.value ?? {}
  return (
    speech.voices.find(({ engine, id }) => engine === voice?.engine && id === voice.voice)?.name ?? voice?.voice ?? ''
  )
})

let asked = 0
async function ask(): Promise<void> {
  const mine = ++asked
  if (text.value.trim() === '') {
    answer.value = null
    return
  }
  isAsking.value = true
  try {
    await speech.saved()
    if (mine !== asked) return
    const { said } = await request<{ said: SayAnswer[] }>('POST', '/api/channel/speech/say', {
      sayings: [{ of: 'message', written: text.value.slice(0, 4000), emotes: emotes.value, voice: null }],
    })
    if (mine !== asked) return
    answer.value = said[0] ?? null
    refusal.value = ''
  } catch (error) {
    if (mine === asked) refusal.value = wordsOf(error)
  } finally {
    if (mine === asked) isAsking.value = false
  }
}
function pick(message: { text: string; emotes: PastMessage['emotes'] }): void {
  text.value = message.text
  emotes.value = message.emotes
}
function typed(event: Event): void {
  text.value = (event.target as HTMLTextAreaElement).value
  // The platform's pictures were at places of another text.
  emotes.value = []
}
watchDebounced([text, () => speech.settings], () => void ask(), { debounce: 250 })
onMounted(async () => {
  try {
    past.value = (await request<{ messages: PastMessage[] }>('GET', '/api/channel/speech/messages')).messages
    const [first] = past.value
    if (first && text.value === '') pick(first)
    else if (text.value === '') from.value = 'abusive'
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <section class="flex min-h-0 flex-col gap-3" aria-labelledby="try-it">
    <div class="flex items-baseline justify-between gap-3">
      <h2 id="try-it" class="font-display text-xl font-semibold">Try it</h2>
      <p class="text-mist" role="status">{{ isAsking ? 'Cleaning and speaking…' : '' }}</p>
    </div>
    <textarea
      class="field min-h-14 shrink-0 resize-none text-base"
      rows="2"
      maxlength="4000"
      aria-label="A message to try"
      placeholder="Type what a viewer might write…"
      dir="auto"
      :value="text"
      @input="typed"
    />
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <HeardLine v-if="answer" :answer="answer" :voice-name="voiceName" :language-name="languageName(answer.language)" />
    <div class="on-paper flex min-h-24 flex-1 flex-col rounded-sm p-4">
      <h3 class="caps mb-1 text-faded">Step by step</h3>
      <div class="min-h-0 flex-1 overflow-y-auto">
        <StepTrail v-if="answer && answer.changes.length > 0" :changes="answer.changes" />
        <p v-if="answer?.outcome === 'refused'" class="text-faded">
          It is stopped as a whole: no step can make it fit to be read.
        </p>
        <p v-else-if="answer && answer.changes.length === 0" class="text-faded">
          No step had anything to do: it is read as it was written.
        </p>
        <p v-else-if="!answer" class="text-faded">
          Type a message above, or take one below. Each step that changes it is shown here with what it took away.
        </p>
      </div>
    </div>
    <div class="flex min-h-0 shrink-0 flex-col gap-2">
      <div class="flex gap-1" role="group" aria-label="Messages to take">
        <button
          v-for="shelf in shelves"
          :key="shelf.id"
          type="button"
          class="rounded-sm border px-2 py-0.5"
          :class="
            from === shelf.id ? 'border-snow font-medium' : 'border-transparent text-mist underline underline-offset-3'
          "
          :aria-pressed="from === shelf.id"
          @click="from = shelf.id"
        >
          {{ shelf.words }}
        </button>
      </div>
      <ul
        v-if="picks.length > 0"
        class="h-27 overflow-y-auto rounded-sm border border-seam"
        :aria-label="shelves.find(({ id }) => id === from)?.words"
      >
        <li v-for="each in picks" :key="each.key">
          <button
            type="button"
            class="flex w-full gap-3 px-3 py-1 text-left -outline-offset-2 hover:bg-ridge"
            @click="pick(each)"
          >
            <span class="w-28 shrink-0 truncate text-mist">{{ each.who }}</span><span
              class="min-w-0 truncate"
              dir="auto"
              >{{ each.text }}</span
            >
          </button>
        </li>
      </ul>
      <p v-else-if="past" class="rounded-sm border border-dashed border-seam p-3 text-mist">
        Nobody has written anything yet. Messages that come with tips, subscriptions and rewards are listed here.
      </p>
    </div>
  </section>
</template>
