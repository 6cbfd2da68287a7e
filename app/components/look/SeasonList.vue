<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { addSeason, changeLook, changeSeason, removeSeason, seasonIdFor } from '../../../core/edit/changeLook.ts'
import { hiddenDays, scaleOf, seasonOn, yearOf, type Season } from '../../../core/look/seasons.ts'
import { localMoment } from '../../../core/time/localMoment.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { dayAndMonth } from '../../format/time.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import TypedField from '../fields/TypedField.vue'
import CalendarEnd from '../roll/CalendarEnd.vue'
import SeasonFiles from './SeasonFiles.vue'
import YearStrip from './YearStrip.vue'

/** The everyday look and those of seasons: which one is being edited, and on which days it shows. */
defineProps<{ disabled: boolean }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const channel = useChannel()
const seasons = computed(() => draft.document?.seasons ?? [])
const edited = computed(() => seasons.value.find(({ id }) => id === view.seasonId) ?? null)
const today = computed(() => seasonOn(seasons.value, localMoment(Date.now(), channel.value.timeZone)))
const choices = computed(() => [
  { value: '', label: `every day${today.value ? '' : ', today too'}` },
  ...seasons.value.map(({ id, look }) => ({
    value: id,
    label: `${look.name}${today.value?.id === id ? ', today' : ''}`,
  })),
])
const hidden = computed(() =>
  hiddenDays(seasons.value, new Date().getFullYear()).filter(({ id }) => id === edited.value?.id),
)
const nameOf = (id: string) => seasons.value.find((each) => each.id === id)?.look.name ?? id
const scaleChoices = [
  { value: 'season', label: 'every year' },
  { value: 'date', label: 'once' },
] as const

/** When no season is on, in words. */
const gaps = computed(() => yearOf(seasons.value, new Date().getFullYear()).filter(({ seasonId }) => seasonId === null))
const gapWords = computed(() =>
  gaps.value
    .map(({ first, last }) =>
      [...new Set([first, last])].map((day) => dayAndMonth(day, channel.value.locale)).join(' to '),
    )
    .join(' and '),
)
const gapDays = computed(() => gaps.value.reduce((sum, { first, last }) => sum + last - first + 1, 0))

function add(): void {
  if (!draft.document) return
  const id = seasonIdFor(draft.document)
  draft.edit(addSeason(id, 'New season', '12-01', '01-06'))
  view.seasonId = id
}
function remove(id: string): void {
  view.seasonId = null
  draft.edit(removeSeason(id))
}
/** A day that is looked at hides what is being edited; choosing a look ends that. */
function choose(id: string | null): void {
  view.day = null
  view.seasonId = id
}
function rename(name: string): void {
  if (name && view.seasonId) draft.edit(changeLook(view.seasonId, 'name', (look) => void (look.name = name)))
}
function setScale({ id, from, to }: Season, scale: 'season' | 'date'): void {
  const year = new Date().getFullYear()
  if (scale === 'season') draft.edit(changeSeason(id, { from: from.slice(-5), to: to.slice(-5) }))
  else draft.edit(changeSeason(id, { from: `${year}-${from}`, to: `${to < from ? year + 1 : year}-${to}` }))
}
</script>

<template>
  <section class="space-y-2 border-t border-rule pt-2" aria-label="Seasons">
    <div class="grid grid-cols-[minmax(0,1fr)_auto] gap-2">
      <ChoiceField
        label="Which look"
        :value="view.seasonId ?? ''"
        :choices="choices"
        @change="choose($event || null)"
      />
      <button v-if="!disabled && seasons.length < 24" type="button" class="button" @click="add">
        <Plus :size="14" aria-hidden="true" />A season
      </button>
    </div>
    <YearStrip v-if="seasons.length > 0" :seasons="seasons" :chosen-id="view.seasonId" @look="view.day = $event" />
    <p v-if="seasons.length > 0" class="text-2xs text-faded">
      {{
        gapDays === 0
          ? 'Some season is on all the year.'
          : `No season on ${counted(gapDays, 'day')} of this year: the everyday look shows, ${gapWords}.`
      }}
    </p>
    <div v-if="edited" class="space-y-1.5 rounded-sm bg-sheet p-2">
      <div class="grid grid-cols-[minmax(0,1fr)_1.5rem] gap-1">
        <TypedField
          class="field"
          :value="edited.look.name"
          maxlength="80"
          aria-label="Name of the season"
          :disabled="disabled"
          @change="rename"
        />
        <button
          v-if="!disabled"
          type="button"
          class="grid size-6 place-items-center self-center rounded-sm hover:bg-rule/60"
          :aria-label="`Remove ${edited.look.name}`"
          @click="remove(edited.id)"
        >
          <Trash2 :size="14" aria-hidden="true" />
        </button>
      </div>
      <ChoiceField
        label="How often"
        :value="scaleOf(edited) === 'date' ? 'date' : 'season'"
        :choices="scaleChoices"
        :disabled="disabled"
        @change="(scale) => edited && setScale(edited, scale)"
      />
      <CalendarEnd
        :type="scaleOf(edited) === 'date' ? 'date' : 'season'"
        label="First day"
        :value="edited.from"
        :disabled="disabled"
        @change="(from) => edited && draft.edit(changeSeason(edited.id, { from, to: edited.to }))"
      />
      <CalendarEnd
        :type="scaleOf(edited) === 'date' ? 'date' : 'season'"
        label="Last day"
        :value="edited.to"
        :disabled="disabled"
        @change="(to) => edited && draft.edit(changeSeason(edited.id, { from: edited.from, to }))"
      />
      <p v-for="{ by, days } in hidden" :key="by" class="text-brick" role="status">
        On {{ counted(days, 'day') }} of this year “{{ nameOf(by) }}” shows instead: it comes first.
      </p>
      <p class="text-faded">
        By the channel’s calendar. What plays as the day changes is played to its end; the everyday look returns by
        itself.
      </p>
    </div>
    <SeasonFiles v-if="edited" :season="edited" :disabled="disabled" />
    <div v-if="seasons.length > 0" class="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-2">
      <span class="text-faded">Show the day</span
      ><TypedField
        type="date"
        class="field font-mono text-xs"
        :value="view.day ?? ''"
        aria-label="Show the day"
        @change="(day) => (view.day = day || null)"
      /><button v-if="view.day" type="button" class="link text-deep-sky" @click="view.day = null">back</button>
    </div>
  </section>
</template>
