<script setup lang="ts">
import { computed } from 'vue'
import { minorDigits } from '../../../core/minorDigits.ts'
import { lettersMax, presetsMax, type TipPage } from '../../../core/tip/page.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { counted } from '../../format/counted.ts'
import { useGoalsStore } from '../../stores/goals.ts'
import { useSessionStore } from '../../stores/session.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import SentenceRow from '../fields/SentenceRow.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import { shortMoney } from '../tip/tipForm.ts'

/** All that the tip page says and takes, each sentence changed in its place. */
const props = defineProps<{ page: TipPage; prefix: string }>()
const emit = defineEmits<{ change: [fields: Partial<TipPage>] }>()
const goals = useGoalsStore()
const session = useSessionStore()
const channel = useChannel()

const digits = computed(() => minorDigits(channel.value.currency))
const unit = computed(() => 10 ** digits.value)
const say = (minor: number) => shortMoney(minor, channel.value.currency, channel.value.locale)
const minor = (whole: number) => Math.round(whole * unit.value)
/** Amounts that are offered lie within what is taken, each once, the smallest first. */
const fitting = (presets: readonly number[], least: number, most: number) =>
  [...new Set(presets.map((each) => Math.min(most, Math.max(least, each))))].sort((a, b) => a - b)
const setPresets = (presets: readonly number[]) =>
  emit('change', { presets: fitting(presets, props.page.leastMinor, props.page.mostMinor) })
function setLeast(leastMinor: number): void {
  const mostMinor = Math.max(leastMinor, props.page.mostMinor)
  emit('change', { leastMinor, mostMinor, presets: fitting(props.page.presets, leastMinor, mostMinor) })
}
function setMost(mostMinor: number): void {
  const leastMinor = Math.min(mostMinor, props.page.leastMinor)
  emit('change', { leastMinor, mostMinor, presets: fitting(props.page.presets, leastMinor, mostMinor) })
}
function addPreset(): void {
  const next = Math.min(props.page.mostMinor, (props.page.presets.at(-1) ?? props.page.leastMinor) * 2)
  if (!props.page.presets.includes(next)) setPresets([...props.page.presets, next])
}
const goalChoices = computed(() => [
  { value: '', label: 'the one that runs and counts tips' },
  { value: 'none', label: 'none' },
  ...(goals.view?.goals ?? []).map(({ goal }) => ({ value: goal.id, label: goal.title })),
])
const goalSays = computed(
  () => goalChoices.value.find(({ value }) => value === (props.page.goalId ?? ''))?.label ?? 'one that is gone',
)
</script>

<template>
  <div class="space-y-2">
    <SentenceRow label="Says" :says="page.about || 'nothing below its title'" :can-edit="session.canEdit">
      <TypedField
        class="field"
        aria-label="What it says below its title"
        maxlength="300"
        :value="page.about"
        @change="(about) => emit('change', { about })"
      />
    </SentenceRow>
    <SentenceRow label="Offers" :says="page.presets.map(say).join(', ')" :can-edit="session.canEdit">
      <div v-for="(preset, at) in page.presets" :key="preset" class="flex gap-2">
        <NumberField
          class="min-w-0 flex-1"
          :label="`Amount ${at + 1}`"
          :unit="channel.currency"
          :value="preset / unit"
          :decimals="digits"
          :min="page.leastMinor / unit"
          :max="page.mostMinor / unit"
          @change="(whole) => setPresets(page.presets.with(at, minor(whole)))"
        /><button
          type="button"
          class="button px-2!"
          :aria-label="`Take ${say(preset)} away`"
          :disabled="page.presets.length < 2"
          @click="setPresets(page.presets.toSpliced(at, 1))"
        >
          ×
        </button>
      </div>
      <button
        v-if="page.presets.length < presetsMax && !page.presets.includes(page.mostMinor)"
        type="button"
        class="link text-deep-sky"
        @click="addPreset"
      >
        Offer another amount
      </button>
    </SentenceRow>
    <SentenceRow
      label="Takes"
      :says="`at least ${say(page.leastMinor)}, at most ${say(page.mostMinor)}`"
      :can-edit="session.canEdit"
    >
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="The least that is taken"
          :unit="channel.currency"
          :value="page.leastMinor / unit"
          :decimals="digits"
          :min="1 / unit"
          :max="10_000_000 / unit"
          @change="(whole) => setLeast(minor(whole))"
        />
        <NumberField
          label="The most that is taken"
          :unit="channel.currency"
          :value="page.mostMinor / unit"
          :decimals="digits"
          :min="1 / unit"
          :max="10_000_000 / unit"
          @change="(whole) => setMost(minor(whole))"
        />
      </div>
    </SentenceRow>
    <SentenceRow
      label="Messages"
      :says="page.lettersMost === 0 ? 'are not taken' : `of ${counted(page.lettersMost, 'letter')} at most`"
      :can-edit="session.canEdit"
    >
      <NumberField
        label="How long a message may be"
        unit="letters"
        :value="page.lettersMost"
        :min="0"
        :max="lettersMax"
        @change="(lettersMost) => emit('change', { lettersMost })"
      />
      <p class="text-faded">None with 0. What is read aloud, and from which amount on, the speech desk decides.</p>
    </SentenceRow>
    <SentenceRow
      label="Choosing"
      :says="page.offerFromMinor === 0 ? 'with any amount' : `from ${say(page.offerFromMinor)} on`"
      :can-edit="session.canEdit"
    >
      <NumberField
        label="From which amount on viewers choose"
        :unit="channel.currency"
        :value="page.offerFromMinor / unit"
        :decimals="digits"
        :min="0"
        :max="10_000_000 / unit"
        @change="(whole) => emit('change', { offerFromMinor: minor(whole) })"
      />
      <p class="text-faded">
        What there is to choose stands with the alert for tips in your box, under “The viewer chooses”.
      </p>
    </SentenceRow>
    <SentenceRow label="Goal" :says="goalSays" :can-edit="session.canEdit">
      <ChoiceField
        label="Whose bar it shows"
        :value="page.goalId ?? ''"
        :choices="goalChoices"
        @change="(goalId) => emit('change', { goalId: goalId === '' ? null : goalId })"
      />
    </SentenceRow>
    <SentenceRow
      label="Shows"
      :says="page.showsLast ? 'who left something last' : 'nobody else’s tips'"
      :can-edit="session.canEdit"
    >
      <TickBox :checked="page.showsLast" @change="(showsLast) => emit('change', { showsLast })"
        >The last three, with their names</TickBox
      >
    </SentenceRow>
    <SentenceRow
      label="Asked back"
      :says="page.returnDays === 0 ? 'nothing is said of it' : `within ${counted(page.returnDays, 'day')}`"
      :can-edit="session.canEdit"
    >
      <NumberField
        label="Within how many days it is given back"
        unit="days"
        :value="page.returnDays"
        :min="0"
        :max="365"
        @change="(returnDays) => emit('change', { returnDays })"
      />
    </SentenceRow>
    <SentenceRow
      label="In chat"
      :says="page.word === '' ? 'no command answers' : `${prefix}${page.word} answers with the address`"
      :can-edit="session.canEdit"
    >
      <TypedField
        class="field"
        aria-label="The command that answers with the address, without its prefix"
        maxlength="40"
        :value="page.word"
        @change="(word) => emit('change', { word })"
      />
    </SentenceRow>
  </div>
</template>
