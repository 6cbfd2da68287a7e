<script setup lang="ts">
import { CircleHelp, RotateCcw } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { PlayView } from '../../../contract/views.ts'
import { clockTime } from '../../format/time.ts'
import KindMark from '../frame/KindMark.vue'
import { useLiveStore } from '../../stores/live.ts'
import { unreadWords } from './speechWords.ts'
import { detailWords, nameWords } from './waitWords.ts'
import ActList from './ActList.vue'
import EventList from './EventList.vue'
import OutcomeMark from './OutcomeMark.vue'
import WhyDialog, { type AskedEvent } from './WhyDialog.vue'

const props = defineProps<{ boxId: string; log: readonly PlayView[]; changed: string }>()
defineEmits<{ replay: [play: PlayView]; replayExpired: [] }>()

const asked = ref<AskedEvent | null>(null)
const live = useLiveStore()
/** Grows with everything that comes and that ends, so that the list is read again. */
const newest = computed(() => Math.max(live.live?.ridge.feeds.lastDeliveryAtMs ?? 0, props.log[0]?.endedAtMs ?? 0))
const lists = [
  { id: 'played', words: 'ended' },
  { id: 'unplayed', words: 'did not play' },
  { id: 'all', words: 'all' },
  { id: 'acts', words: 'who did what' },
] as const
const shown = ref<(typeof lists)[number]['id']>('played')

const byId = computed(() => new Map(props.log.map((play) => [play.id, play])))
function note(play: PlayView): string {
  const head = play.mergedInto === null ? undefined : byId.value.get(play.mergedInto)
  if (head) return `into “${head.name}${nameWords(head)}”`
  if (play.state === 'played')
    return [play.detail, play.shownCount > 1 ? `on ${play.shownCount} sources` : ''].filter(Boolean).join(' · ')
  return play.reason
}
</script>

<template>
  <section class="on-paper flex min-h-0 flex-col px-4 py-4" aria-label="Log">
    <div class="mb-2 flex flex-wrap items-baseline justify-between gap-x-3">
      <h2 class="font-display text-xl font-semibold">Log</h2>
      <div class="flex flex-wrap gap-1" role="group" aria-label="What is listed">
        <button
          v-for="each in lists"
          :key="each.id"
          type="button"
          class="rounded-sm border px-2 py-0.5"
          :class="
            shown === each.id
              ? 'border-ink bg-sheet font-medium'
              : 'border-transparent text-deep-sky underline underline-offset-3'
          "
          :aria-pressed="shown === each.id"
          @click="shown = each.id"
        >
          {{ each.words }}
        </button>
      </div>
    </div>
    <button
      v-if="shown === 'unplayed' && log.some(({ state }) => state === 'expired')"
      type="button"
      class="link mb-2 self-start text-deep-sky"
      @click="$emit('replayExpired')"
    >
      Replay all that was let go within the last hour
    </button>
    <ActList v-if="shown === 'acts'" :box-id="boxId" :changed="changed" />
    <EventList
      v-else-if="shown !== 'played'"
      :box-id="boxId"
      :newest="newest"
      :is-unplayed="shown === 'unplayed'"
      @ask="asked = { ...$event, boxId }"
    />
    <ol v-else-if="log.length > 0" class="min-h-0 divide-y divide-rule overflow-y-auto border-y border-rule">
      <li
        v-for="play in log"
        :key="play.id"
        v-memo="[play, byId.get(play.mergedInto ?? '')]"
        class="group list-row grid grid-cols-[2.9rem_1.5rem_minmax(0,1fr)_auto] items-center gap-2 py-2"
      >
        <time class="font-mono text-2xs text-faded" :datetime="new Date(play.enqueuedAtMs).toISOString()">{{
          clockTime(play.enqueuedAtMs)
        }}</time>
        <KindMark :kind="play.kind" />
        <div class="min-w-0">
          <p class="truncate font-semibold">
            <bdi>{{ play.name }}</bdi>{{ nameWords(play) }}
          </p>
          <p class="truncate text-faded" :title="note(play)">{{ note(play) || detailWords(play) }}</p>
          <p v-if="unreadWords(play)" class="truncate text-brick" :title="unreadWords(play)">{{ unreadWords(play) }}</p>
        </div>
        <div class="flex items-center gap-1">
          <button
            type="button"
            class="rounded-sm p-1 text-faded opacity-0 group-hover:opacity-100 hover:text-ink focus-visible:opacity-100"
            :aria-label="`Why ${play.variationName} for ${play.name}`"
            title="Why?"
            @click="asked = play"
          >
            <CircleHelp :size="14" aria-hidden="true" />
          </button>
          <button
            type="button"
            class="rounded-sm p-1 text-faded opacity-0 group-hover:opacity-100 hover:text-ink focus-visible:opacity-100"
            :aria-label="`Replay ${play.name}`"
            @click="$emit('replay', play)"
          >
            <RotateCcw :size="14" />
          </button>
          <span v-if="play.isTest" class="rounded-sm border border-rule px-1.5 text-2xs">test</span>
          <OutcomeMark :state="play.state" />
        </div>
      </li>
    </ol>
    <p v-else class="text-faded">
      What played, what was skipped and what waited too long is written here, with the reason.
    </p>
    <WhyDialog :asked="asked" @close="asked = null" />
  </section>
</template>
