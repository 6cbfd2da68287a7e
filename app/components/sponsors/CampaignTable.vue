<script setup lang="ts">
import { Download, Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { CampaignView, SponsorsView } from '../../../contract/sponsors.ts'
import { formatMoney } from '../../../core/money.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { counted } from '../../format/counted.ts'
import { useSessionStore } from '../../stores/session.ts'
import FiguresChart from './FiguresChart.vue'
import { standsWords } from './sponsorWords.ts'

/** The campaigns of the channel and what came of them, those that are over behind the others. */
const props = defineProps<{ view: SponsorsView | null; chosenId: string | null }>()
const emit = defineEmits<{ choose: [id: string]; create: [] }>()
const session = useSessionStore()
const channel = useChannel()
const of = ref<'impressions' | 'clicks'>('impressions')
const number = (count: number) => new Intl.NumberFormat(channel.value.locale).format(count)
const rows = computed<CampaignView[]>(() => props.view?.campaigns ?? [])
const hasFigures = computed(() => (props.view?.days.length ?? 0) > 0)
</script>

<template>
  <section class="on-paper flex min-h-0 flex-col overflow-y-auto px-7 py-5" aria-labelledby="sponsors">
    <div class="flex items-start justify-between gap-4">
      <div>
        <h1 id="sponsors" class="font-display text-3xl font-semibold">Sponsors</h1>
        <p class="mt-1 text-faded">
          A turn counts when a source showed the whole of it, times those who watch:
          {{ view ? number(view.watching) : '…' }} now. Tests never count.
        </p>
      </div>
      <button v-if="session.canEdit" type="button" class="button mt-1 shrink-0" @click="emit('create')">
        <Plus :size="15" aria-hidden="true" />New sponsor
      </button>
    </div>
    <template v-if="view && rows.length > 0">
      <table class="mt-4 w-full border-collapse text-left">
        <caption class="sr-only">
          What came of each sponsor in the last
          {{
            view.dayCount
          }}
          days
        </caption>
        <thead class="caps text-faded">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1.5 pr-2 pl-3 font-medium">Sponsor</th>
            <th scope="col" class="px-2 text-right font-medium">Shown</th>
            <th scope="col" class="px-2 text-right font-medium">Impressions</th>
            <th scope="col" class="px-2 text-right font-medium">Clicks</th>
            <th scope="col" class="px-2 text-right font-medium">Points</th>
            <th scope="col" class="py-1.5 pr-3 pl-2 text-right font-medium">Estimated</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ campaign, stands, figures } in rows"
            :key="campaign.id"
            class="border-b border-rule"
            :class="campaign.id === chosenId ? 'bg-rule/70' : ''"
          >
            <th scope="row" class="max-w-0 min-w-40 py-2 pr-2 pl-3 font-normal">
              <button
                type="button"
                class="block w-full min-w-0 text-left hover:underline"
                :aria-current="campaign.id === chosenId ? 'true' : undefined"
                @click="emit('choose', campaign.id)"
              >
                <span class="block truncate font-display text-base font-semibold"
                  ><bdi>{{ campaign.name }}</bdi></span
                >
                <span class="block truncate text-faded">{{ standsWords[stands] }}</span>
              </button>
            </th>
            <td class="px-2 text-right font-mono text-xs">{{ number(figures.shown) }}</td>
            <td class="px-2 text-right font-mono text-xs font-semibold">{{ number(figures.impressions) }}</td>
            <td class="px-2 text-right font-mono text-xs">{{ number(figures.clicks) }}</td>
            <td class="px-2 text-right font-mono text-xs">{{ number(figures.points) }}</td>
            <td class="py-2 pr-3 pl-2 text-right font-mono text-xs">
              {{ formatMoney(figures.earningsMinor, channel.currency, channel.locale) }}
            </td>
          </tr>
        </tbody>
      </table>
      <div class="mt-5 flex flex-wrap items-center justify-between gap-3">
        <h2 class="font-display text-lg font-semibold">The last {{ counted(view.dayCount, 'day') }}</h2>
        <div class="flex gap-2">
          <button
            v-for="each in ['impressions', 'clicks'] as const"
            :key="each"
            type="button"
            class="button min-h-7! capitalize"
            :class="of === each ? 'bg-ink! text-paper!' : ''"
            :aria-pressed="of === each"
            @click="of = each"
          >
            {{ each }}
          </button>
          <a class="button min-h-7!" href="/api/sponsors/figures" download="sponsors.csv"
            ><Download :size="14" aria-hidden="true" />CSV of a year</a
          >
        </div>
      </div>
      <FiguresChart v-if="hasFigures" class="mt-1" :view="view" :of="of" />
      <p v-else class="mt-2 text-faded">
        Nothing was shown yet. A turn comes while a source shows a board with a sponsor’s line, or a box with an alert
        for it.
      </p>
    </template>
    <div v-else-if="view" class="mt-6 rounded-sm border border-dashed border-faded p-6">
      <h2 class="font-display text-lg font-semibold">Nobody is thanked yet</h2>
      <p class="mt-1 max-w-prose text-faded">
        Say what a sponsor wants said, how often and for how long. Their turns are shared out fairly; what was really
        seen, and who followed their link, is counted for you and for them.
      </p>
      <button v-if="session.canEdit" type="button" class="button button-bolt mt-3" @click="emit('create')">
        Add the first sponsor
      </button>
    </div>
  </section>
</template>
