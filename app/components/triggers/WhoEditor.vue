<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import type { Gate, WhoTest } from '../../../core/gate/schema.ts'
import { listed } from '../../format/listed.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'

/** Who may: everybody, or those of whom something holds. */
const props = defineProps<{ who: Gate['who'] }>()
const emit = defineEmits<{ change: [who: Gate['who']] }>()

type Kind = 'subscriber' | 'vip' | 'moderator' | 'tier' | 'months' | 'firstTime' | 'named'
const kinds: readonly { value: Kind; label: string }[] = [
  { value: 'subscriber', label: 'subscribers' },
  { value: 'vip', label: 'VIPs' },
  { value: 'moderator', label: 'moderators' },
  { value: 'tier', label: 'subscribers of a tier' },
  { value: 'months', label: 'subscribers of some months' },
  { value: 'firstTime', label: 'whoever does it for the first time' },
  { value: 'named', label: 'viewers by name' },
]
const matches = [
  { value: 'any', label: 'any of these' },
  { value: 'all', label: 'all of these at once' },
] as const
const kindOf = (test: WhoTest): Kind => (test.is === 'role' ? test.role : test.is)

function testOf(kind: Kind): WhoTest {
  switch (kind) {
    case 'tier':
      return { is: 'tier', atLeast: 2 }
    case 'months':
      return { is: 'months', atLeast: 3 }
    case 'firstTime':
      return { is: 'firstTime' }
    case 'named':
      return { is: 'named', names: ['pip_rye'] }
    default:
      return { is: 'role', role: kind }
  }
}
const put = (at: number, test: WhoTest | null) => {
  const of = (props.who?.of ?? []).flatMap((each, index) => (index === at ? (test ?? []) : [each]))
  emit('change', of.length === 0 ? null : { match: props.who?.match ?? 'any', of })
}
const add = () =>
  emit('change', { match: props.who?.match ?? 'any', of: [...(props.who?.of ?? []), testOf('subscriber')] })
</script>

<template>
  <p v-if="!who" class="text-faded">Everyone may.</p>
  <ChoiceField
    v-if="who && who.of.length > 1"
    label="How many have to hold"
    :value="who.match"
    :choices="matches"
    @change="(match) => who && emit('change', { ...who, match })"
  />
  <div
    v-for="(test, at) in who?.of ?? []"
    :key="at"
    class="grid grid-cols-[minmax(0,1fr)_minmax(0,7rem)_1.5rem] items-center gap-1"
  >
    <ChoiceField
      :class="test.is === 'role' || test.is === 'firstTime' ? 'col-span-2' : ''"
      :label="`Who, ${at + 1}`"
      :value="kindOf(test)"
      :choices="kinds"
      @change="(kind) => put(at, testOf(kind))"
    />
    <NumberField
      v-if="test.is === 'tier'"
      label="At least tier"
      :value="test.atLeast"
      :min="1"
      :max="3"
      @change="(atLeast) => put(at, { is: 'tier', atLeast })"
    />
    <NumberField
      v-else-if="test.is === 'months'"
      label="At least months"
      unit="months"
      :value="test.atLeast"
      :min="1"
      :max="1000"
      @change="(atLeast) => put(at, { is: 'months', atLeast })"
    />
    <TypedField
      v-else-if="test.is === 'named'"
      class="field"
      aria-label="Names, with commas between them"
      :value="test.names.join(', ')"
      @change="(typed) => listed(typed).length > 0 && put(at, { is: 'named', names: listed(typed) })"
    />
    <button
      type="button"
      class="grid size-6 place-items-center rounded-sm hover:bg-rule/60"
      :aria-label="`Take ${at + 1} away`"
      @click="put(at, null)"
    >
      <X :size="13" aria-hidden="true" />
    </button>
  </div>
  <button type="button" class="link flex items-center gap-1 text-deep-sky" @click="add">
    <Plus :size="13" aria-hidden="true" />{{ who ? 'and others' : 'only some may' }}
  </button>
</template>
