<script setup lang="ts">
import { computed } from 'vue'
import type { CampaignView } from '../../../contract/sponsors.ts'
import type { Campaign } from '../../../core/campaign/schema.ts'
import { minorDigits } from '../../../core/minorDigits.ts'
import { formatMoney } from '../../../core/money.ts'
import { clockWords } from '../../../core/time/clockWords.ts'
import { localText, momentOfText } from '../../../core/time/localText.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { counted } from '../../format/counted.ts'
import { formatInTimeZone } from '../../format/formatInTimeZone.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import SentenceRow from '../fields/SentenceRow.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import MediaField from '../library/MediaField.vue'
import TimeField from '../triggers/TimeField.vue'
import { capWords } from './sponsorWords.ts'

/** All that a campaign says, each sentence changed in its place. */
const props = defineProps<{ view: CampaignView; hasLines: boolean; hasAlerts: boolean }>()
const emit = defineEmits<{ change: [edit: (campaign: Campaign) => Campaign] }>()
const session = useSessionStore()
const media = useMediaStore()
const channel = useChannel()

const campaign = computed(() => props.view.campaign)
const set = (fields: Partial<Campaign>) => emit('change', (of) => ({ ...of, ...fields }))
const digits = computed(() => minorDigits(channel.value.currency))
const unit = computed(() => 10 ** digits.value)
const say = (minor: number) => formatMoney(minor, channel.value.currency, channel.value.locale)
const monthMs = 30 * 86_400_000
function setMoment(field: 'fromMs' | 'untilMs', text: string): void {
  const atMs = momentOfText(text, channel.value.timeZone)
  if (atMs !== null) set({ [field]: atMs })
}
const shownByChoices = [
  { value: 'line', label: 'as a line on boards' },
  { value: 'alert', label: 'by a box, as an alert that waits its turn' },
] as const
const worthSays = computed(() => {
  const { perThousandMinor, perClickMinor, pointsPerThousand, pointsPerClick } = campaign.value.worth
  const parts = [
    perThousandMinor > 0 ? `${say(perThousandMinor)} for 1,000 impressions` : '',
    perClickMinor > 0 ? `${say(perClickMinor)} a click` : '',
    pointsPerThousand > 0 ? `${counted(pointsPerThousand, 'point')} for 1,000 impressions` : '',
    pointsPerClick > 0 ? `${counted(pointsPerClick, 'point')} a click` : '',
  ].filter(Boolean)
  return parts.length > 0 ? parts.join(', ') : 'nothing that is counted'
})
const setWorth = (fields: Partial<Campaign['worth']>) =>
  emit('change', (of) => ({ ...of, worth: { ...of.worth, ...fields } }))
const setCaps = (fields: Partial<Campaign['caps']>) =>
  emit('change', (of) => ({ ...of, caps: { ...of.caps, ...fields } }))
const pictureSays = computed(
  () =>
    media.files.find(({ id }) => id === campaign.value.mediaId)?.name ?? (campaign.value.mediaId ? 'a file' : 'none'),
)
function setLink(typed: string): void {
  const link = /^https?:\/\//.test(typed) ? typed : `https://${typed}`
  set({ link: typed === '' ? null : link })
}
</script>

<template>
  <div class="space-y-2">
    <SentenceRow label="Says" :says="campaign.words" :can-edit="session.canEdit">
      <TypedField
        class="field"
        aria-label="What is said"
        maxlength="140"
        :value="campaign.words"
        @change="(words) => words !== '' && set({ words })"
      />
    </SentenceRow>
    <SentenceRow
      label="Shown"
      :says="shownByChoices.find(({ value }) => value === campaign.shownBy)?.label ?? ''"
      :can-edit="session.canEdit"
    >
      <ChoiceField
        label="How it is shown"
        :value="campaign.shownBy"
        :choices="shownByChoices"
        @change="(shownBy) => set({ shownBy })"
      />
      <p v-if="campaign.shownBy === 'line' && !hasLines" class="text-brick">
        No board on air has a place for it. Add a sponsor’s line to a board, and put that on air.
      </p>
      <p v-if="campaign.shownBy === 'alert' && !hasAlerts" class="text-brick">
        No box on air has an alert for it. Add an alert for “Sponsor’s line” to a box, and put that on air.
      </p>
    </SentenceRow>
    <SentenceRow label="Picture" :says="pictureSays" :can-edit="session.canEdit">
      <MediaField
        kind="picture"
        label="Picture of the sponsor"
        :media-id="campaign.mediaId"
        @change="(mediaId) => set({ mediaId })"
      />
    </SentenceRow>
    <SentenceRow label="Leads" :says="campaign.link ?? 'nowhere'" :can-edit="session.canEdit">
      <TypedField
        class="field"
        type="url"
        inputmode="url"
        aria-label="Where a click leads"
        maxlength="2000"
        placeholder="an address"
        :value="campaign.link ?? ''"
        @change="setLink"
      />
    </SentenceRow>
    <SentenceRow label="From" :says="formatInTimeZone(campaign.fromMs, channel)" :can-edit="session.canEdit">
      <TypedField
        type="datetime-local"
        class="field"
        aria-label="From when it is shown"
        :value="localText(campaign.fromMs, channel.timeZone)"
        @change="(text) => setMoment('fromMs', text)"
      />
    </SentenceRow>
    <SentenceRow
      label="Until"
      :says="campaign.untilMs === null ? 'you end it' : formatInTimeZone(campaign.untilMs, channel)"
      :can-edit="session.canEdit"
    >
      <TickBox
        :checked="campaign.untilMs !== null"
        @change="(ends) => set({ untilMs: ends ? campaign.fromMs + monthMs : null })"
        >It ends by itself</TickBox
      >
      <TypedField
        v-if="campaign.untilMs !== null"
        type="datetime-local"
        class="field"
        aria-label="Until when it is shown"
        :value="localText(campaign.untilMs, channel.timeZone)"
        @change="(text) => setMoment('untilMs', text)"
      />
    </SentenceRow>
    <SentenceRow
      label="Every"
      :says="`${counted(campaign.everyMin, 'minute')} at the soonest`"
      :can-edit="session.canEdit"
    >
      <NumberField
        label="So many minutes lie between two times"
        unit="min"
        :value="campaign.everyMin"
        :min="1"
        :max="1440"
        @change="(everyMin) => set({ everyMin })"
      />
    </SentenceRow>
    <SentenceRow
      label="Hours"
      :says="campaign.hours ? `${clockWords(campaign.hours.from)} to ${clockWords(campaign.hours.until)}` : 'always'"
      :can-edit="session.canEdit"
    >
      <TickBox
        :checked="campaign.hours !== null"
        @change="(has) => set({ hours: has ? { from: 20 * 60, until: 2 * 60 } : null })"
        >Only at certain hours</TickBox
      >
      <div v-if="campaign.hours" class="grid grid-cols-2 gap-2">
        <TimeField
          label="From which hour"
          :minute="campaign.hours.from"
          @change="(from) => campaign.hours && set({ hours: { ...campaign.hours, from } })"
        />
        <TimeField
          label="Until which hour"
          :minute="campaign.hours.until"
          @change="(until) => campaign.hours && set({ hours: { ...campaign.hours, until } })"
        />
      </div>
    </SentenceRow>
    <SentenceRow label="Weight" :says="`${campaign.weight}`" :can-edit="session.canEdit">
      <NumberField label="Weight" :value="campaign.weight" :min="1" :max="100" @change="(weight) => set({ weight })" />
      <p class="text-faded">Of two that may be shown, one of weight 2 has two turns where the other has one.</p>
    </SentenceRow>
    <SentenceRow label="Caps" :says="capWords(campaign.caps)" :can-edit="session.canEdit">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="At most so often on one day; 0: no cap"
          unit="a day"
          :value="campaign.caps.day ?? 0"
          :min="0"
          :max="100_000"
          @change="(day) => setCaps({ day: day === 0 ? null : day })"
        />
        <NumberField
          label="At most so often in all; 0: no cap"
          unit="in all"
          :value="campaign.caps.all ?? 0"
          :min="0"
          :max="100_000"
          @change="(all) => setCaps({ all: all === 0 ? null : all })"
        />
      </div>
    </SentenceRow>
    <SentenceRow label="Worth" :says="worthSays" :can-edit="session.canEdit">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="What 1,000 impressions bring"
          :unit="`${channel.currency} / 1,000`"
          :value="campaign.worth.perThousandMinor / unit"
          :decimals="digits"
          :min="0"
          :max="10_000"
          @change="(whole) => setWorth({ perThousandMinor: Math.round(whole * unit) })"
        />
        <NumberField
          label="What a click brings"
          :unit="`${channel.currency} / click`"
          :value="campaign.worth.perClickMinor / unit"
          :decimals="digits"
          :min="0"
          :max="10_000"
          @change="(whole) => setWorth({ perClickMinor: Math.round(whole * unit) })"
        />
        <NumberField
          label="Points for 1,000 impressions"
          unit="points / 1,000"
          :value="campaign.worth.pointsPerThousand"
          :min="0"
          :max="1_000_000"
          @change="(pointsPerThousand) => setWorth({ pointsPerThousand })"
        />
        <NumberField
          label="Points for a click"
          unit="points / click"
          :value="campaign.worth.pointsPerClick"
          :min="0"
          :max="1_000_000"
          @change="(pointsPerClick) => setWorth({ pointsPerClick })"
        />
      </div>
      <p class="text-faded">What the sponsor has promised you: earnings are estimated from it.</p>
    </SentenceRow>
  </div>
</template>
