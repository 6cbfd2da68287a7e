<script setup lang="ts">
import { computed } from 'vue'
import type { Arrival, FloodOutcome } from '../../../core/queue/flood.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import type { FloodAnswer } from '../../workers/flood.worker.ts'
import { clockTime, span } from '../../format/time.ts'

/** What a policy makes of a flood, beside what the one on air makes of it: one time axis for all of it. */
const props = defineProps<{
  arrivals: readonly Arrival[]
  answer: FloodAnswer | null
  isMadeUp: boolean
  isBusy: boolean
  /** It is beside what is on air, rather than beside none at all. */
  isBesideAir: boolean
}>()

const widthPx = 600
const fromMs = computed(() => props.arrivals[0]?.atMs ?? 0)
const lastMs = computed(() => props.arrivals.at(-1)?.atMs ?? 0)
/** What is on air may take a quarter of an hour: so much of it is shown that the draft can still be seen. */
const untilMs = computed(() => {
  if (!props.answer) return lastMs.value + 60_000
  const { air, draft } = props.answer
  const ownMs = Math.max(draft.calmAtMs, lastMs.value) - fromMs.value
  return fromMs.value + Math.max(30_000, Math.min(air.calmAtMs - fromMs.value, ownMs * 2.2), ownMs) * 1.02
})
const x = (atMs: number) => ((atMs - fromMs.value) / (untilMs.value - fromMs.value)) * widthPx
const one = (atMs: number) => Math.round(atMs * 10) / 10

/** Ticks of what comes, at heights that only keep them apart. */
const ticks = computed(() => props.arrivals.map(({ atMs }, index) => ({ x: one(x(atMs)), y: 4 + ((index * 37) % 26) })))
const bars = (outcome: FloodOutcome) =>
  outcome.shown
    .filter((each) => each.fromMs < untilMs.value)
    .map((each) => ({
      ...each,
      x: one(x(each.fromMs)),
      width: Math.max(1.5, one(x(each.untilMs) - x(each.fromMs) - 1)),
    }))
const left = (outcome: FloodOutcome) => outcome.shown.filter((each) => each.fromMs >= untilMs.value).length
const mostLateMs = computed(() =>
  Math.max(
    10_000,
    ...[props.answer?.air, props.answer?.draft].flatMap(
      (each) => each?.late.filter(({ atMs }) => atMs < untilMs.value).map(({ lateMs }) => lateMs) ?? [],
    ),
  ),
)
const lateHeight = 78
const curve = (outcome: FloodOutcome) =>
  outcome.late
    .filter(({ atMs }) => atMs < untilMs.value)
    .map(({ atMs, lateMs }) => `${one(x(atMs))},${one(lateHeight - (lateMs / mostLateMs.value) * (lateHeight - 6))}`)
    .join(' ')
/** Whole minutes, or more of them where there are many. */
const minutes = computed(() => {
  const spanMs = untilMs.value - fromMs.value
  const stepMs = [30_000, 60_000, 120_000, 300_000, 600_000].find((each) => spanMs / each <= 7) ?? 1_200_000
  return Array.from({ length: Math.floor(spanMs / stepMs) + 1 }, (_, at) => fromMs.value + at * stepMs)
})
/** Words at the edges stay inside. */
function anchorOf(atMs: number): 'start' | 'middle' | 'end' {
  if (x(atMs) < 12) return 'start'
  return x(atMs) > widthPx - 24 ? 'end' : 'middle'
}
const minutesAfter = (ms: number) =>
  `${Math.floor(ms / 60_000)}:${String(Math.round((ms % 60_000) / 1000)).padStart(2, '0')}`
const axisWords = (atMs: number) => (props.isMadeUp ? minutesAfter(atMs - fromMs.value) : clockTime(atMs))
const oneOf = (kind: EventKind) => (kind === 'giftBatch' ? 'batch of gifts' : kindNames[kind])
const kindsWords = computed(() => {
  const counts = new Map<EventKind, number>()
  for (const { ticket } of props.arrivals)
    if (ticket.facts) counts.set(ticket.facts.kind, (counts.get(ticket.facts.kind) ?? 0) + 1)
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .slice(0, 4)
    .map(([kind, count]) => `${count} ${(count === 1 ? oneOf(kind) : manyOf(kind)).toLowerCase()}`)
    .join(', ')
})
const calmWords = (outcome: FloodOutcome) =>
  left(outcome) > 0
    ? `still ${left(outcome)} to play at the end`
    : `calm again ${span(Math.max(0, outcome.calmAtMs - lastMs.value))} after the last came`
const rows = computed(() =>
  props.answer
    ? [
        {
          id: 'air',
          name: props.isBesideAir ? 'As it is on air' : 'One by one, without any of it',
          outcome: props.answer.air,
          fill: 'fill-mist/50',
        },
        { id: 'draft', name: 'With these sentences', outcome: props.answer.draft, fill: 'fill-sky' },
      ]
    : [],
)
</script>

<template>
  <section class="flex h-full min-h-0 flex-col overflow-y-auto px-6 py-5" aria-labelledby="flood">
    <div class="flex items-baseline justify-between gap-4">
      <h2 id="flood" class="font-display text-xl font-semibold">What it does to a flood</h2>
      <p v-if="isBusy" class="text-mist" role="status">Working it out…</p>
    </div>
    <p v-if="isMadeUp" class="mt-0.5 text-mist">
      A made-up one, as this box would meet it: {{ kindsWords }} within {{ span(lastMs - fromMs) }}. Once much has come
      to this box, that is shown here instead.
    </p>
    <p v-else class="mt-0.5 text-mist">
      {{ clockTime(fromMs) }} to {{ clockTime(lastMs) }}, what really came: {{ kindsWords }}.
    </p>
    <div class="mt-4 space-y-4">
      <div>
        <h3 class="font-semibold">They come</h3>
        <svg :viewBox="`0 0 ${widthPx} 44`" class="mt-1 w-full" role="img" :aria-label="`${arrivals.length} come`">
          <line v-for="atMs in minutes" :key="atMs" :x1="x(atMs)" :x2="x(atMs)" y1="0" y2="44" class="stroke-seam" />
          <line
            v-for="(tick, at) in ticks"
            :key="at"
            :x1="tick.x"
            :x2="tick.x"
            :y1="tick.y"
            :y2="tick.y + 9"
            class="stroke-snow/70"
            stroke-width="1.4"
          />
        </svg>
      </div>
      <div v-for="row in rows" :key="row.id">
        <h3 class="flex items-baseline gap-3">
          <span class="font-semibold">{{ row.name }}</span><span class="text-mist">{{ calmWords(row.outcome) }}</span>
        </h3>
        <svg
          :viewBox="`0 0 ${widthPx} 34`"
          class="mt-1 w-full"
          role="img"
          :aria-label="`${row.name}: ${row.outcome.shown.length} alerts, ${calmWords(row.outcome)}`"
        >
          <line v-for="atMs in minutes" :key="atMs" :x1="x(atMs)" :x2="x(atMs)" y1="0" y2="34" class="stroke-seam" />
          <g v-for="(bar, at) in bars(row.outcome)" :key="at">
            <rect :x="bar.x" :width="bar.width" y="2" height="30" rx="1.5" :class="row.fill" />
            <text
              v-if="bar.count > 1 && bar.width > 15"
              :x="bar.x + bar.width / 2"
              y="21"
              text-anchor="middle"
              class="fill-night text-[11px] font-semibold"
            >
              {{ bar.count }}
            </text>
          </g>
        </svg>
      </div>
      <div v-if="answer">
        <h3 class="flex items-baseline gap-3">
          <span class="font-semibold">Waiting</span
          ><span class="text-mist">how late each one is, up to {{ span(mostLateMs) }}</span>
        </h3>
        <svg
          :viewBox="`0 0 ${widthPx} ${lateHeight + 18}`"
          class="mt-1 w-full"
          role="img"
          aria-label="How late each is"
        >
          <g v-for="atMs in minutes" :key="atMs">
            <line :x1="x(atMs)" :x2="x(atMs)" y1="0" :y2="lateHeight" class="stroke-seam" />
            <text
              :x="Math.min(x(atMs), widthPx - 2)"
              :y="lateHeight + 14"
              :text-anchor="anchorOf(atMs)"
              class="fill-mist font-mono text-[10px]"
            >
              {{ axisWords(atMs) }}
            </text>
          </g>
          <polyline
            :points="curve(answer.air)"
            fill="none"
            class="stroke-mist"
            stroke-dasharray="3 3"
            stroke-width="1.3"
          />
          <polyline :points="curve(answer.draft)" fill="none" class="stroke-sky" stroke-width="2" />
        </svg>
      </div>
    </div>
    <dl v-if="answer" class="mt-5 grid grid-cols-3 gap-3">
      <div class="rounded-sm bg-ridge p-3">
        <dd class="font-display text-xl font-semibold">
          <span class="text-mist">{{ span(answer.air.longestMs) }} → </span>{{ span(answer.draft.longestMs) }}
        </dd>
        <dt class="text-mist">the longest wait</dt>
      </div>
      <div class="rounded-sm bg-ridge p-3">
        <dd class="font-display text-xl font-semibold">{{ answer.draft.shared }}</dd>
        <dt class="text-mist">share an alert; each keeps its line in the log</dt>
      </div>
      <div class="rounded-sm bg-ridge p-3">
        <dd class="font-display text-xl font-semibold">{{ answer.draft.letGo }}</dd>
        <dt class="text-mist">are let go, and can be replayed</dt>
      </div>
    </dl>
  </section>
</template>
