<script setup lang="ts">
import { computed } from 'vue'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import type { Sentence } from '../../../core/queue/policy.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import OrderEditor from './OrderEditor.vue'
import QuietEditor from './QuietEditor.vue'
import { useBrings } from './useBrings.ts'

/** Changes all that one sentence says. */
const props = defineProps<{
  sentence: Sentence
  /** Kinds that the box has an alert for, in their order. */
  shown: readonly EventKind[]
  cases: readonly { id: string; name: string }[]
  /** Scenes that the studio has told of. */
  scenes: readonly string[]
}>()
const emit = defineEmits<{ change: [sentence: Sentence] }>()

/** Kinds that can be chosen: those that are shown, and what is chosen already. */
const kinds = computed<EventKind[]>(() => {
  const { sentence } = props
  const chosen: readonly EventKind[] = 'kinds' in sentence ? (sentence.kinds ?? []) : []
  return eventKinds.filter((kind) => props.shown.includes(kind) || chosen.includes(kind))
})
const toggled = (list: readonly EventKind[], kind: EventKind) =>
  list.includes(kind) ? list.filter((each) => each !== kind) : [...list, kind]

const { perOf, unitOf } = useBrings()
const s = (ms: number) => ms / 1000
const ms = (seconds: number) => Math.round(seconds * 1000)
</script>

<template>
  <div class="space-y-2">
    <NumberField
      v-if="sentence.rule === 'gap'"
      class="w-36"
      label="Seconds between two alerts"
      unit="s"
      :value="s(sentence.ms)"
      :min="0"
      :max="60"
      :step="0.1"
      :decimals="1"
      @change="(value) => sentence.rule === 'gap' && emit('change', { ...sentence, ms: ms(value) })"
    />
    <OrderEditor
      v-else-if="sentence.rule === 'order'"
      :sentence="sentence"
      :kinds="kinds"
      :cases="cases"
      @change="(next) => emit('change', next)"
    />
    <template v-else-if="sentence.rule === 'elastic'">
      <NumberField
        class="w-36"
        label="How many have to wait"
        unit="alerts"
        :value="sentence.waiting"
        :min="1"
        :max="10_000"
        @change="(waiting) => sentence.rule === 'elastic' && emit('change', { ...sentence, waiting })"
      />
      <TickBox
        :checked="sentence.lastMs !== null"
        @change="(has) => sentence.rule === 'elastic' && emit('change', { ...sentence, lastMs: has ? 60_000 : null })"
        >or when the last would wait so long</TickBox
      >
      <NumberField
        v-if="sentence.lastMs !== null"
        class="w-36"
        label="Seconds that the last would wait"
        unit="s"
        :value="s(sentence.lastMs)"
        :min="5"
        :max="3600"
        @change="(value) => sentence.rule === 'elastic' && emit('change', { ...sentence, lastMs: ms(value) })"
      />
    </template>
    <NumberField
      v-else-if="sentence.rule === 'airtime'"
      class="w-36"
      label="Percent of a minute"
      unit="%"
      :value="sentence.percent"
      :min="5"
      :max="100"
      @change="(percent) => sentence.rule === 'airtime' && emit('change', { ...sentence, percent })"
    />
    <NumberField
      v-else-if="sentence.rule === 'room'"
      class="w-36"
      label="How many may wait"
      unit="alerts"
      :value="sentence.atMost"
      :min="1"
      :max="100_000"
      @change="(atMost) => sentence.rule === 'room' && emit('change', { ...sentence, atMost })"
    />
    <QuietEditor
      v-else-if="sentence.rule === 'quiet'"
      :sentence="sentence"
      :scenes="scenes"
      @change="(next) => emit('change', next)"
    />
    <template v-else-if="sentence.rule !== 'gifts'">
      <fieldset class="grid grid-cols-2 gap-x-3 gap-y-1">
        <legend class="sr-only">Which kinds</legend>
        <TickBox
          v-if="sentence.rule === 'age'"
          class="col-span-2"
          :checked="sentence.kinds === null"
          @change="(all) => sentence.rule === 'age' && emit('change', { ...sentence, kinds: all ? null : ['follow'] })"
          >whatever it is</TickBox
        >
        <TickBox
          v-if="sentence.rule === 'approve'"
          class="col-span-2"
          :checked="sentence.isFlagged"
          @change="(isFlagged) => sentence.rule === 'approve' && emit('change', { ...sentence, isFlagged })"
          >what the speech desk has something against</TickBox
        >
        <template v-if="sentence.kinds !== null">
          <TickBox
            v-for="kind in kinds"
            :key="kind"
            :checked="sentence.kinds.includes(kind)"
            @change="
              () => {
                if (!('kinds' in sentence) || sentence.kinds === null) return
                const next = toggled(sentence.kinds, kind)
                if (next.length > 0 || sentence.rule === 'beside' || sentence.rule === 'approve')
                  emit('change', { ...sentence, kinds: next } as Sentence)
              }
            "
            >{{ manyOf(kind) }}</TickBox
          >
        </template>
      </fieldset>
      <label v-if="sentence.rule === 'merge'" class="block"
        >Seconds after the first within which they come<NumberField
          class="w-36"
          label="Seconds within which they come"
          unit="s"
          :value="s(sentence.withinMs)"
          :min="1"
          :max="300"
          @change="(value) => sentence.rule === 'merge' && emit('change', { ...sentence, withinMs: ms(value) })"
      /></label>
      <template v-if="sentence.rule === 'merge'">
        <TickBox
          :checked="sentence.below !== null"
          @change="
            (has) =>
              sentence.rule === 'merge' &&
              emit('change', { ...sentence, below: has ? 5 * perOf(sentence.kinds[0] ?? 'tip') : null })
          "
          >only what brings less than</TickBox
        >
        <NumberField
          v-if="sentence.below !== null"
          class="w-36"
          label="Less than"
          :unit="unitOf(sentence.kinds[0] ?? 'tip')"
          :value="sentence.below / perOf(sentence.kinds[0] ?? 'tip')"
          :min="1 / perOf(sentence.kinds[0] ?? 'tip')"
          :max="1_000_000"
          :decimals="perOf(sentence.kinds[0] ?? 'tip') > 1 ? 2 : 0"
          @change="
            (value) =>
              sentence.rule === 'merge' &&
              emit('change', { ...sentence, below: Math.round(value * perOf(sentence.kinds[0] ?? 'tip')) })
          "
        />
        <TickBox
          :checked="sentence.isEvenWritten"
          @change="(isEvenWritten) => sentence.rule === 'merge' && emit('change', { ...sentence, isEvenWritten })"
          >also where somebody wrote something, which is not shown then</TickBox
        >
      </template>
      <label v-else-if="sentence.rule === 'age'" class="block"
        >Seconds that it may wait<NumberField
          class="w-36"
          label="Seconds that it may wait"
          unit="s"
          :value="s(sentence.ms)"
          :min="5"
          :max="86_400"
          @change="(value) => sentence.rule === 'age' && emit('change', { ...sentence, ms: ms(value) })"
      /></label>
      <label v-else-if="sentence.rule === 'approve'" class="block"
        >Seconds within which somebody has to<NumberField
          class="w-36"
          label="Seconds within which somebody has to"
          unit="s"
          :value="s(sentence.withinMs)"
          :min="5"
          :max="3600"
          @change="(value) => sentence.rule === 'approve' && emit('change', { ...sentence, withinMs: ms(value) })"
      /></label>
      <label v-else class="block"
        >How many at once<NumberField
          class="w-36"
          label="How many at once"
          :value="sentence.atMost"
          :min="1"
          :max="8"
          @change="(atMost) => sentence.rule === 'beside' && emit('change', { ...sentence, atMost })"
      /></label>
    </template>
  </div>
</template>
