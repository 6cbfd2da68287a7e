<script setup lang="ts">
import { useHead } from '#imports'
import { Download, Upload } from '@lucide/vue'
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { PointsEntryView, PointsRow, PointsView } from '../../../contract/triggers.ts'
import { type ProblemError, request, wordsOf } from '../../api/request.ts'
import PointsRulesPaper from '../../components/triggers/PointsRulesPaper.vue'
import NumberField from '../../components/fields/NumberField.vue'
import { clockTime } from '../../format/time.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'

useHead({ title: 'Points · Thundercrest' })
const triggers = useTriggersStore()
const session = useSessionStore()
const live = useLiveStore()
const view = ref<PointsView | null>(null)
const words = ref('')
const chosen = ref<PointsRow | null>(null)
const entries = ref<PointsEntryView[] | null>(null)
const change = ref(50)
const why = ref('')
const refusal = ref('')
const file = useTemplateRef('file')
const name = computed(() => triggers.view?.settings.points.name ?? { one: 'point', many: 'points' })
const count = (points: number) => new Intl.NumberFormat(session.session?.channel.locale ?? 'en').format(points)
const named = (points: number) => `${count(points)} ${Math.abs(points) === 1 ? name.value.one : name.value.many}`

async function load(): Promise<void> {
  try {
    view.value = await request<PointsView>('GET', `/api/points?words=${encodeURIComponent(words.value)}`)
    const still = view.value.rows.find(({ viewerId }) => viewerId === chosen.value?.viewerId)
    if (still) chosen.value = still
    else chosen.value ??= view.value.rows[0] ?? null
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
async function loadEntries(): Promise<void> {
  const of = chosen.value
  if (!of) return
  try {
    const answer = await request<{ entries: PointsEntryView[] }>(
      'GET',
      `/api/points/entries?viewer=${encodeURIComponent(of.viewerId)}`,
    )
    if (chosen.value?.viewerId === of.viewerId) entries.value = answer.entries
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
onMounted(() => void Promise.all([triggers.load(), load()]).catch((error: unknown) => (refusal.value = wordsOf(error))))
watchDebounced(words, load, { debounce: 200 })
watch(() => live.live?.calls.revision, load)
watch(chosen, loadEntries)

async function give(sign: 1 | -1): Promise<void> {
  const to = chosen.value
  if (!to) return
  try {
    await request('POST', '/api/points', {
      ...{ viewerId: to.viewerId, change: sign * change.value, why: why.value.trim() },
      requestId: crypto.randomUUID(),
    })
    toast.success(`${to.name} ${sign === 1 ? 'is given' : 'gives back'} ${named(change.value)}.`)
    why.value = ''
    await load()
    await loadEntries()
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
async function bringIn(event: Event): Promise<void> {
  const [given] = (event.target as HTMLInputElement).files ?? []
  if (file.value) file.value.value = ''
  if (!given) return
  const answer = await fetch('/api/points/ledger', {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body: await given.text(),
  })
  const body = (await answer.json()) as ProblemError['problem'] & { entries?: number; viewers?: number }
  if (answer.ok) {
    toast.success(`${body.entries ?? 0} lines for ${body.viewers ?? 0} viewers were brought in.`)
    await load()
    await loadEntries()
  } else {
    const [first] = body.issues ?? []
    toast.error(`${body.detail}${first ? ` ${first.path} ${first.message}.` : ''}`)
  }
}
const whyWords = (said: string) =>
  ({ presence: 'was there', follow: 'followed', subscription: 'subscribed', tip: 'tipped' })[said] ?? said
</script>

<template>
  <main
    class="grid h-full min-h-0 grid-cols-1 gap-0 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)_22rem] lg:overflow-hidden"
  >
    <section class="on-paper flex min-h-0 flex-col px-7 py-5" aria-labelledby="points">
      <div class="flex items-start justify-between gap-4">
        <div>
          <h1 id="points" class="font-display text-3xl font-semibold first-letter:uppercase">{{ name.many }}</h1>
          <p v-if="view" class="mt-1 text-faded">
            {{ count(view.viewers) }} viewers have {{ named(view.total) }} between them.
          </p>
        </div>
        <input
          v-model="words"
          type="search"
          class="field mt-1 w-40 shrink-0"
          placeholder="Find a viewer…"
          aria-label="Find a viewer by name"
        />
      </div>
      <p v-if="refusal" role="alert" class="mt-2 text-brick">{{ refusal }}</p>
      <ol v-if="view?.rows.length" class="mt-4 min-h-0 overflow-y-auto border-t border-rule" aria-label="Who has most">
        <li v-for="row in view.rows" :key="row.viewerId" class="border-b border-rule">
          <button
            type="button"
            class="flex w-full items-baseline justify-between gap-4 px-3 py-2 text-left hover:bg-rule/40"
            :class="row.viewerId === chosen?.viewerId ? 'bg-rule/70' : ''"
            :aria-current="row.viewerId === chosen?.viewerId ? 'true' : undefined"
            @click="chosen = row"
          >
            <span class="min-w-0 flex-1 truncate"
              ><bdi class="font-display text-base font-semibold">{{ row.name || 'somebody' }}</bdi
              ><span class="ml-2 text-faded">{{ row.from }}</span></span
            >
            <span class="shrink-0 font-mono text-xs">{{ count(row.points) }}</span>
          </button>
        </li>
      </ol>
      <p v-else-if="view" class="mt-8 text-faded">
        {{
          words
            ? 'Nobody of that name has any.'
            : `Nobody has any ${name.many} yet. Say at the right how viewers come to them: by being there, by following, by tips.`
        }}
      </p>
      <div v-if="session.canEdit" class="mt-auto flex gap-3 pt-4">
        <a class="button" href="/api/points/ledger" download><Download :size="15" aria-hidden="true" />Ledger as CSV</a>
        <label class="button cursor-pointer focus-within:outline-2 focus-within:outline-sky"
          ><Upload :size="15" aria-hidden="true" />Bring a ledger in<input
            ref="file"
            type="file"
            accept=".csv,text/csv"
            class="sr-only"
            @change="bringIn"
        /></label>
      </div>
    </section>
    <section class="flex min-h-0 flex-col border-seam px-6 py-5 lg:border-r" aria-labelledby="ledger">
      <template v-if="chosen">
        <h2 id="ledger" class="truncate font-display text-xl font-semibold">
          <bdi>{{ chosen.name || 'somebody' }}</bdi>
        </h2>
        <p class="text-mist">{{ named(chosen.points) }}</p>
        <form class="on-paper mt-3 space-y-2 rounded-sm p-3" @submit.prevent="give(1)">
          <div class="grid grid-cols-[7rem_minmax(0,1fr)] gap-2">
            <NumberField
              :label="`How many ${name.many}`"
              :value="change"
              :min="1"
              :max="1_000_000"
              @change="change = $event"
            />
            <input v-model="why" class="field" maxlength="200" placeholder="why" aria-label="Why" />
          </div>
          <div class="flex gap-2">
            <button type="submit" class="button" :disabled="why.trim() === ''">Give</button>
            <button type="button" class="button" :disabled="why.trim() === ''" @click="give(-1)">Take</button>
          </div>
        </form>
        <ol class="mt-3 min-h-0 space-y-1 overflow-y-auto pr-1" aria-label="Ledger">
          <li
            v-for="entry in entries ?? []"
            :key="entry.seq"
            class="flex items-baseline gap-3 rounded-sm bg-ridge px-3 py-1.5"
          >
            <span
              class="w-16 shrink-0 text-right font-mono text-xs"
              :class="entry.change > 0 ? 'text-fine' : 'text-glow'"
              >{{ entry.change > 0 ? '+' : '−' }}{{ count(Math.abs(entry.change)) }}</span
            >
            <span class="min-w-0 flex-1 break-words">{{ whyWords(entry.why) }}</span>
            <time class="shrink-0 text-2xs text-mist" :datetime="new Date(entry.atMs).toISOString()">{{
              clockTime(entry.atMs)
            }}</time>
          </li>
        </ol>
      </template>
      <p v-else class="text-mist">Choose a viewer to see where theirs came from.</p>
    </section>
    <PointsRulesPaper v-if="triggers.view" :settings="triggers.view.settings" />
  </main>
</template>
