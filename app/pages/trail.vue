<script setup lang="ts">
import { useHead } from '#imports'
import { computed, onMounted, ref, watch } from 'vue'
import { didWords, trailTopics, type TrailEntry, type TrailTopic, type TrailView } from '../../contract/trail.ts'
import { request, wordsOf } from '../api/request.ts'
import { useChannel } from '../composables/useChannel.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'What happened here · Thundercrest' })
const session = useSessionStore()
const channel = useChannel()
const entries = ref<TrailEntry[]>([])
const people = ref<string[]>([])
const nextBefore = ref<string | null>(null)
const isLoaded = ref(false)
const refusal = ref('')
const topic = ref<TrailTopic | ''>('')
const by = ref('')
const from = ref('')
const until = ref('')
const topicWords: Readonly<Record<TrailTopic, string>> = {
  air: 'boxes and what is on air',
  people: 'people, keys and secrets',
  settings: 'settings',
  data: 'data',
  desk: 'the desk',
}
const topics = Object.keys(trailTopics) as TrailTopic[]

const query = computed(() => {
  const asked = { topic: topic.value, by: by.value, from: from.value, until: until.value }
  return new URLSearchParams(Object.entries(asked).filter(([, value]) => value !== '')).toString()
})
let newest = 0
async function load(before: string | null): Promise<void> {
  newest += 1
  const mine = newest
  try {
    const more = before === null ? '' : `&before=${before}`
    const view = await request<TrailView>('GET', `/api/trail?${query.value}${more}`)
    if (mine !== newest) return
    entries.value = before === null ? view.entries : [...entries.value, ...view.entries]
    nextBefore.value = view.nextBefore
    people.value = view.people
    isLoaded.value = true
    refusal.value = ''
  } catch (error) {
    if (mine === newest) refusal.value = wordsOf(error)
  }
}
onMounted(() => load(null))
watch(query, () => load(null))

const dayOf = (ms: number) =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: channel.value.timeZone,
    ...{ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  }).format(ms)
const clock = (ms: number) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: channel.value.timeZone, hour: '2-digit', minute: '2-digit' }).format(ms)
const days = computed(() => {
  const found: { day: string; entries: TrailEntry[] }[] = []
  for (const entry of entries.value) {
    const day = dayOf(entry.atMs)
    const last = found.at(-1)
    if (last?.day === day) last.entries.push(entry)
    else found.push({ day, entries: [entry] })
  }
  return found
})
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <div class="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1 class="font-display text-3xl font-semibold">What happened here</h1>
        <p class="mt-1 text-mist">
          Who did what to {{ session.session?.channel.name }}. It is kept for a year, and nobody can change it.
        </p>
      </div>
      <a class="button" :href="`/api/trail?as=csv&${query}`" download>Save as CSV</a>
    </div>
    <p class="mt-4 flex flex-wrap items-center gap-x-2 gap-y-2 text-mist">
      Show
      <select v-model="topic" class="field w-auto!" aria-label="About what">
        <option value="">everything</option>
        <option v-for="each in topics" :key="each" :value="each">{{ topicWords[each] }}</option>
      </select>
      that
      <select v-model="by" class="field w-auto! max-w-52" aria-label="By whom">
        <option value="">anybody</option>
        <option v-for="each in people" :key="each" :value="each">{{ each }}</option>
      </select>
      did, from
      <input v-model="from" type="date" class="field w-auto!" aria-label="From which day" />
      to
      <input v-model="until" type="date" class="field w-auto!" aria-label="To which day" />
    </p>
    <p v-if="refusal" role="alert" class="mt-3 text-wrong">{{ refusal }}</p>
    <div v-if="days.length > 0" class="on-paper mt-4 max-w-5xl rounded-sm px-6 py-3">
      <section v-for="{ day, entries: done } in days" :key="day" :aria-label="day" class="py-2">
        <h2 class="caps text-faded">{{ day }}</h2>
        <ul class="divide-y divide-rule">
          <li v-for="entry in done" :key="entry.id" class="grid grid-cols-[3.5rem_minmax(0,1fr)] gap-x-3 py-1.5">
            <span class="font-mono text-xs leading-6 text-faded">{{ clock(entry.atMs) }}</span>
            <span class="min-w-0"
              ><bdi class="font-semibold">{{ entry.by }}</bdi> {{ didWords(entry.did, entry.about)
              }}<span v-if="entry.detail" class="text-faded">, {{ entry.detail }}</span></span
            >
          </li>
        </ul>
      </section>
      <button v-if="nextBefore" type="button" class="button my-2" @click="load(nextBefore)">Further back</button>
    </div>
    <p v-else-if="isLoaded" class="mt-6 text-mist">
      {{ query ? 'Nothing of this kind happened.' : 'Nothing yet. From now on it stands here who did what.' }}
    </p>
    <p v-else-if="!refusal" class="mt-6 text-mist">Loading…</p>
  </main>
</template>
