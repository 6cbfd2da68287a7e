<script setup lang="ts">
import { ArrowDown, ArrowUp, Plus, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { mainKind, playedBy, type PlayedBy, type Variation } from '../../../core/composition/box.ts'
import {
  addVariation,
  askLater,
  changeVariation,
  moveVariation,
  removeVariation,
  setPlayedBy,
  variationIdFor,
} from '../../../core/edit/variationEdits.ts'
import { fieldsOf } from '../../../core/rules/fields.ts'
import { wordsOfRule } from '../../../core/rules/words.ts'
import { wordsOfBox } from '../../../core/rules/wordsOfBox.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useCoverageStore } from '../../stores/coverage.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import BringDialog from '../apply/BringDialog.vue'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import { useClipboardActs } from '../stage/useClipboardActs.ts'
import ListensSection from './ListensSection.vue'
import OfferSection from './OfferSection.vue'
import RuleEditor from './RuleEditor.vue'
import { startOf } from './comparisonStart.ts'

/** The cases of an alert in the order in which they are asked, with what each is for. */
defineProps<{ disabled: boolean }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const isBringing = ref(false)
const pasting = useClipboardActs()
const view = useRoomViewStore()
const covered = useCoverageStore()
const channel = useChannel()
const cases = computed(() => room.alert?.variations ?? [])
const fields = computed(() => (room.alert ? fieldsOf(room.alert) : []))
/** The first gaps; where they are too many to draw, one of them. */
const gaps = computed(() => {
  const { gaps: all, gap } = covered.coverage ?? { gaps: [], gap: false }
  return all ?? (gap ? [gap] : [])
})
const gapWords = computed(() =>
  gaps.value
    .slice(0, 3)
    .map((gap) => (covered.coverage && wordsOfBox(covered.coverage.space, gap, channel.value)) || 'anything comes')
    .join(', or where '),
)
const nameOf = (id: string) => cases.value.find((each) => each.id === id)?.name ?? id
const stateOf = (id: string) => covered.coverage?.variations.find((each) => each.id === id)
const addressOf = (variation: Variation) => ({ alertId: room.alert?.id ?? '', variationId: variation.id })

function problem(variation: Variation): string {
  const state = stateOf(variation.id)
  if (!state || state.state === 'open') return ''
  if (state.state === 'untold') return 'Its conditions are too many to tell whether others always come first.'
  const by = state.by.map((id) => `“${nameOf(id)}”`).join(' and ')
  const come = state.by.length > 1 ? 'come' : 'comes'
  return state.state === 'unreachable'
    ? `It never plays: ${by || 'nothing that can happen'} ${come} first every time.`
    : `Where ${by} also ${state.by.length > 1 ? 'apply, they' : 'applies, it'} ${come} first.`
}
function add(): void {
  const [field] = fields.value
  if (!room.alert || !room.address || !field) return
  const id = variationIdFor(cases.value, room.alert.id)
  draft.edit(addVariation(room.address, id, 'Special case', { match: 'all', of: [startOf(field)] }))
  room.variationId = id
}
const playedChoices: { value: PlayedBy; label: string }[] = [
  { value: 'events', label: 'when an event is of this case' },
  { value: 'several', label: 'for several at once' },
  { value: 'sheets', label: 'only where a run sheet plays it' },
]
/** When a case plays, as one sentence. */
function playedWords(variation: Variation): string {
  if (!room.alert) return ''
  const rule = wordsOfRule(room.alert, variation.rule, channel.value)
  const by = playedBy(variation)
  if (by === 'sheets') return 'Only run sheets play it.'
  if (by === 'several') return variation.rule ? `For several at once, ${rule}` : 'For several at once that have waited.'
  return rule
}
function rename(variation: Variation, name: string): void {
  if (name) draft.edit(changeVariation(addressOf(variation), { name }))
}
function remove(variation: Variation): void {
  if (room.variation?.id === variation.id) room.variationId = null
  draft.edit(removeVariation(addressOf(variation)))
}
const setShare = (variation: Variation, isOn: boolean) =>
  draft.edit(changeVariation(addressOf(variation), { share: isOn ? { group: 'draw', weight: 1 } : null }))
</script>

<template>
  <div v-if="room.alert" class="space-y-3">
    <div class="flex items-baseline justify-between">
      <h2 class="font-display text-lg font-semibold">Cases of {{ kindNames[mainKind(room.alert)] }}</h2>
      <button type="button" class="link text-deep-sky" @click="view.panel = 'part'">Done</button>
    </div>
    <ListensSection :alert="room.alert" :disabled="disabled" />
    <p class="text-faded">They are asked from top to bottom; the first that applies plays.</p>
    <ol class="space-y-2">
      <li
        v-for="(each, index) in cases"
        :key="each.id"
        class="rounded-sm border p-2"
        :class="each.id === room.variation?.id ? 'border-ink bg-sheet/60' : 'border-rule'"
      >
        <div class="flex items-center gap-1">
          <TypedField
            class="min-w-0 flex-1 truncate rounded-xs border-0 bg-transparent p-0 font-medium hover:bg-sheet focus:bg-sheet"
            :value="each.name"
            maxlength="80"
            :aria-label="`Name of case ${index + 1}`"
            :disabled="disabled"
            @focus="room.variationId = each.id"
            @change="(name) => rename(each, name)"
          />
          <button
            v-if="!disabled"
            type="button"
            class="grid size-6 place-items-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
            :aria-label="`Ask ${each.name} earlier`"
            :disabled="index === 0"
            @click="draft.edit(moveVariation(addressOf(each), cases[index - 1]?.id ?? ''))"
          >
            <ArrowUp :size="14" aria-hidden="true" />
          </button>
          <button
            v-if="!disabled"
            type="button"
            class="grid size-6 place-items-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
            :aria-label="`Ask ${each.name} later`"
            :disabled="index === cases.length - 1"
            @click="draft.edit(askLater(addressOf(each)))"
          >
            <ArrowDown :size="14" aria-hidden="true" />
          </button>
          <button
            v-if="!disabled"
            type="button"
            class="grid size-6 place-items-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
            :aria-label="`Remove ${each.name}`"
            :disabled="cases.length < 2"
            @click="remove(each)"
          >
            <Trash2 :size="14" aria-hidden="true" />
          </button>
        </div>
        <button type="button" class="text-left text-faded hover:underline" @click="room.variationId = each.id">
          {{ playedWords(each) }}
        </button>
        <div
          v-if="problem(each)"
          class="mt-1"
          :class="stateOf(each.id)?.state === 'unreachable' ? 'text-brick' : 'text-faded'"
          role="status"
        >
          {{ problem(each) }}
          <button
            v-if="!disabled && covered.advice.some(({ id }) => id === each.id)"
            type="button"
            class="link text-deep-sky"
            @click="
              draft.edit(moveVariation(addressOf(each), covered.advice.find(({ id }) => id === each.id)?.before ?? ''))
            "
          >
            Put it before “{{ nameOf(covered.advice.find(({ id }) => id === each.id)?.before ?? '') }}”
          </button>
        </div>
        <template v-if="each.id === room.variation?.id">
          <ChoiceField
            class="mt-2"
            label="When it plays"
            :value="playedBy(each)"
            :choices="playedChoices"
            :disabled="disabled"
            @change="(by) => draft.edit(setPlayedBy(addressOf(each), by))"
          />
          <RuleEditor
            v-if="each.rule && playedBy(each) !== 'sheets'"
            class="mt-2"
            :rule="each.rule"
            :listener="room.alert"
            :disabled="disabled"
            @change="(rule) => draft.edit(changeVariation(addressOf(each), { rule }))"
          />
          <div v-if="playedBy(each) === 'events'" class="mt-2 flex items-center gap-2">
            <TickBox
              class="flex-1"
              :checked="each.share !== null"
              :disabled="disabled"
              @change="(isOn) => setShare(each, isOn)"
              >shares by chance with others that apply</TickBox
            >
            <span v-if="each.share" class="w-20"
              ><NumberField
                label="Lots"
                :value="each.share.weight"
                unit="lots"
                :min="1"
                :max="1000"
                :disabled="disabled"
                @change="
                  (weight) =>
                    each.share && draft.edit(changeVariation(addressOf(each), { share: { ...each.share, weight } }))
                "
            /></span>
          </div>
        </template>
      </li>
    </ol>
    <button v-if="!disabled && cases.length < 50" type="button" class="button" @click="add">
      <Plus :size="15" aria-hidden="true" />Add a case like “{{ room.variation?.name }}”
    </button>
    <p v-if="gaps.length > 0" class="text-faded">
      Nothing plays where {{ gapWords }}. An everyday case at the end would take {{ gaps.length > 1 ? 'these' : 'it' }}.
    </p>
    <OfferSection :alert="room.alert" :disabled="disabled" />
    <template v-if="!disabled">
      <button type="button" class="button" @click="isBringing = true">To another box…</button>
      <BringDialog v-model:open="isBringing" />
      <p class="text-faded">
        The open case can be
        <button type="button" class="link text-deep-sky" @click="pasting.copyCase()">copied</button> and
        <button type="button" class="link text-deep-sky" @click="pasting.paste()">pasted</button> in any box and tab, or
        as text to somebody else.
      </p>
    </template>
  </div>
</template>
