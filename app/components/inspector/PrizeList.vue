<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { freeId } from '../../../core/edit/freeId.ts'
import { oddsOf } from '../../../core/score/parts/draw/drawnPrize.ts'
import { prizesMax, type DrawPart, type Prize } from '../../../core/score/parts/draw/schema.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'
import MediaField from '../library/MediaField.vue'
import { usePartEdit } from './usePartEdit.ts'

/** What can be won, and how often each of it is. */
const props = defineProps<{ part: DrawPart; disabled: boolean }>()
const edit = usePartEdit(() => props.part, 'one')
const odds = computed(() => oddsOf(props.part))
const inPercent = (ratio: number) => `${(ratio * 100).toFixed(ratio < 0.1 ? 1 : 0)} %`
const rareChoices = computed<Choice<string | null>[]>(() => [
  { value: null, label: 'none' },
  ...props.part.prizes.map(({ id, name }) => ({ value: id, label: name })),
])
function change(id: string, what: string, recipe: (prize: Prize) => void): void {
  edit(what, (draft) => {
    const prize = draft.prizes.find((each) => each.id === id)
    if (prize) recipe(prize)
  })
}
function add(): void {
  edit('one more prize', (draft) => {
    const id = freeId('prize', new Set(draft.prizes.map((prize) => prize.id)))
    draft.prizes.push({ id, name: `Prize ${draft.prizes.length + 1}`, mediaId: null, weight: 1 })
  })
}
function remove(id: string): void {
  edit('a prize fewer', (draft) => {
    draft.prizes = draft.prizes.filter((prize) => prize.id !== id)
    if (draft.rare?.prizeId === id) draft.rare = null
  })
}
function setRare(prizeId: string | null): void {
  edit('the rare one', (draft) => {
    draft.rare = prizeId === null ? null : { prizeId, percent: draft.rare?.percent ?? 4 }
  })
}
</script>

<template>
  <section class="space-y-1.5" aria-label="Prizes">
    <div class="flex items-baseline justify-between">
      <h3 class="caps text-faded">Prizes</h3>
      <span class="text-2xs text-faded">{{ part.prizes.length }} of at most {{ prizesMax }}</span>
    </div>
    <ul class="space-y-1.5">
      <li
        v-for="(prize, index) in part.prizes"
        :key="prize.id"
        class="grid grid-cols-[minmax(0,1fr)_4.5rem_1.5rem] items-center gap-1 rounded-sm bg-sheet p-1.5"
      >
        <TypedField
          class="field"
          :value="prize.name"
          maxlength="40"
          :disabled="disabled"
          :aria-label="`Name of prize ${index + 1}`"
          @change="(name) => name && change(prize.id, 'name of a prize', (changed) => void (changed.name = name))"
        />
        <span class="text-right font-mono text-xs" :title="`How often ${prize.name} is drawn`">{{
          inPercent(odds[index] ?? 0)
        }}</span>
        <button
          v-if="!disabled"
          type="button"
          class="grid size-6 place-items-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
          :aria-label="`Take ${prize.name} away`"
          :disabled="part.prizes.length <= 2"
          @click="remove(prize.id)"
        >
          <Trash2 :size="13" aria-hidden="true" />
        </button>
        <MediaField
          class="col-start-1"
          :label="`Picture of ${prize.name}`"
          kind="picture"
          :media-id="prize.mediaId"
          :disabled="disabled"
          @change="(id) => change(prize.id, 'picture of a prize', (changed) => void (changed.mediaId = id))"
        />
        <NumberField
          v-if="prize.id !== part.rare?.prizeId"
          class="col-span-2"
          :label="`Weight of ${prize.name}`"
          :value="prize.weight"
          unit="lots"
          :min="1"
          :max="1000"
          :disabled="disabled"
          @change="(weight) => change(prize.id, 'weight of a prize', (changed) => void (changed.weight = weight))"
        />
        <span v-else class="col-span-2 text-right text-faded">the rare one</span>
      </li>
    </ul>
    <button v-if="!disabled && part.prizes.length < prizesMax" type="button" class="button" @click="add">
      <Plus :size="14" aria-hidden="true" /> One more prize
    </button>
    <FieldRow label="Rare"
      ><ChoiceField
        label="The rare prize"
        :value="part.rare?.prizeId ?? null"
        :choices="rareChoices"
        :disabled="disabled"
        @change="setRare"
    /></FieldRow>
    <FieldRow v-if="part.rare" label="Is drawn"
      ><NumberField
        label="How often the rare prize is drawn"
        :value="part.rare.percent"
        unit="%"
        :min="0.01"
        :max="99"
        :step="0.5"
        :decimals="2"
        :disabled="disabled"
        @change="
          (percent) =>
            edit('how often the rare one is drawn', (draft) => draft.rare && void (draft.rare.percent = percent))
        "
    /></FieldRow>
    <p class="text-faded">Which one it is follows from the event; words know it as {prize}.</p>
  </section>
</template>
