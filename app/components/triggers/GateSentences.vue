<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  againSentence,
  askedSentence,
  limitSentence,
  whileSentence,
  whoSentence,
} from '../../../core/gate/gateSentences.ts'
import type { Gate } from '../../../core/gate/schema.ts'
import type { Trigger } from '../../../core/triggers/schema.ts'
import type { TriggerView } from '../../../contract/triggers.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import ChoiceField from '../fields/ChoiceField.vue'
import TypedField from '../fields/TypedField.vue'
import AskedEditor from './AskedEditor.vue'
import SentenceRow from '../fields/SentenceRow.vue'
import StartsEditor from './StartsEditor.vue'
import WhileEditor from './WhileEditor.vue'
import WhoEditor from './WhoEditor.vue'
import { priceWords, startsSentence } from './startWords.ts'

/** A trigger as sentences that can be changed in place: what starts it, who may, how often, for what. */
const props = defineProps<{ view: TriggerView }>()
const emit = defineEmits<{ change: [edit: (trigger: Trigger) => Trigger] }>()
const triggers = useTriggersStore()
const session = useSessionStore()
const opened = ref<string | null>(null)
const openedAs = (name: string) =>
  computed({ get: () => opened.value === name, set: (isOpen) => (opened.value = isOpen ? name : null) })
const rows = {
  starts: openedAs('starts'),
  who: openedAs('who'),
  price: openedAs('price'),
  asks: openedAs('asks'),
  again: openedAs('again'),
  limit: openedAs('limit'),
  while: openedAs('while'),
  refusal: openedAs('refusal'),
  about: openedAs('about'),
  more: openedAs('more'),
}
const { starts, who, price, asks, again, limit, while: whileOpen, refusal, about, more } = rows

const trigger = computed(() => props.view.trigger)
const gate = computed(() => trigger.value.gate)
const words = computed(() => ({
  points: triggers.view?.settings.points.name ?? { one: 'point', many: 'points' },
  locale: session.session?.channel.locale ?? 'en',
}))
const set = (fields: Partial<Trigger>) => emit('change', (now) => ({ ...now, ...fields }))
const setGate = (fields: Partial<Gate>) => emit('change', (now) => ({ ...now, gate: { ...now.gate, ...fields } }))
const s = (ms: number) => ms / 1000
const ms = (seconds: number) => Math.round(seconds * 1000)
const isPaidThere = computed(() => trigger.value.starts.some(({ by }) => by === 'reward'))
const againChoices = [
  { value: 'inTurn', label: 'one run after another: times add up' },
  { value: 'together', label: 'run at once, beside each other' },
] as const
const awayChoices = [
  { value: 'goOn', label: 'do the rest' },
  { value: 'giveBack', label: 'do the rest, and give back what it cost' },
  { value: 'refuse', label: 'do not begin, and say so' },
] as const
const moreSays = computed(() => {
  const { again: twice, studioAway, isDoneByHand } = trigger.value
  return [
    twice === 'inTurn' ? 'twice at once: one after another' : 'twice at once: together',
    ...(props.view.needsStudio
      ? [
          `studio away: ${{ goOn: 'the rest runs', giveBack: 'the rest runs, given back', refuse: 'refused' }[studioAway]}`,
        ]
      : []),
    ...(isDoneByHand ? ['waits on the desk until it is done'] : []),
  ].join('; ')
})
</script>

<template>
  <div class="space-y-2">
    <SentenceRow
      v-model:open="starts"
      label="Started by"
      :says="startsSentence(trigger, triggers.view?.settings.prefix ?? '!', triggers.rewards)"
      :can-edit="session.canEdit"
    >
      <StartsEditor :trigger="trigger" @change="(next) => set({ starts: next })" />
    </SentenceRow>
    <SentenceRow v-model:open="who" label="Who" :says="whoSentence(gate)" :can-edit="session.canEdit">
      <WhoEditor :who="gate.who" @change="(next) => setGate({ who: next })" />
    </SentenceRow>
    <SentenceRow
      v-model:open="price"
      label="Price"
      :says="priceWords(trigger, triggers.rewards, words)"
      :can-edit="session.canEdit"
    >
      <NumberField
        :label="`Price in ${words.points.many}`"
        :unit="words.points.many"
        :value="gate.cost"
        :min="0"
        :max="1_000_000_000"
        @change="(cost) => setGate({ cost })"
      />
      <p v-if="isPaidThere" class="text-faded">
        A reward has its own price on its platform and is not charged here as well. This is what the command costs.
      </p>
      <TickBox
        :checked="gate.votes !== null"
        @change="setGate({ votes: gate.votes ? null : { needed: 5, withinMs: 60_000 } })"
        >Several viewers have to ask for it</TickBox
      >
      <div v-if="gate.votes" class="grid grid-cols-2 gap-2">
        <NumberField
          label="How many viewers"
          unit="viewers"
          :value="gate.votes.needed"
          :min="2"
          :max="100_000"
          @change="(needed) => gate.votes && setGate({ votes: { ...gate.votes, needed } })"
        />
        <NumberField
          label="Within seconds"
          unit="s"
          :value="s(gate.votes.withinMs)"
          :min="1"
          :max="86_400"
          @change="(within) => gate.votes && setGate({ votes: { ...gate.votes, withinMs: ms(within) } })"
        />
      </div>
    </SentenceRow>
    <SentenceRow v-model:open="asks" label="Asks for" :says="askedSentence(gate)" :can-edit="session.canEdit">
      <AskedEditor :asked="gate.asked" @change="(asked) => setGate({ asked })" />
    </SentenceRow>
    <SentenceRow v-model:open="again" label="Again after" :says="againSentence(gate)" :can-edit="session.canEdit">
      <label class="block"
        >For everybody<NumberField
          label="Again for everybody after seconds"
          unit="s"
          :value="s(gate.againAfter.allMs)"
          :min="0"
          :max="2_592_000"
          @change="(seconds) => setGate({ againAfter: { ...gate.againAfter, allMs: ms(seconds) } })"
      /></label>
      <label class="block"
        >For the same viewer<NumberField
          label="Again for the same viewer after seconds"
          unit="s"
          :value="s(gate.againAfter.viewerMs)"
          :min="0"
          :max="2_592_000"
          @change="(seconds) => setGate({ againAfter: { ...gate.againAfter, viewerMs: ms(seconds) } })"
      /></label>
    </SentenceRow>
    <SentenceRow v-model:open="limit" label="Limit" :says="limitSentence(gate)" :can-edit="session.canEdit">
      <p class="text-faded">0 means that there is no limit.</p>
      <label class="block"
        >How many there are in all<NumberField
          label="Stock"
          :value="gate.stock ?? 0"
          :min="0"
          :max="1_000_000"
          @change="(stock) => setGate({ stock: stock || null })"
      /></label>
      <label class="block"
        >How often in one stream<NumberField
          label="How often in one stream"
          :value="gate.perStream.all ?? 0"
          :min="0"
          :max="1_000_000"
          @change="(all) => setGate({ perStream: { ...gate.perStream, all: all || null } })"
      /></label>
      <label class="block"
        >How often for the same viewer<NumberField
          label="How often for the same viewer"
          :value="gate.perStream.viewer ?? 0"
          :min="0"
          :max="1_000_000"
          @change="(viewer) => setGate({ perStream: { ...gate.perStream, viewer: viewer || null } })"
      /></label>
    </SentenceRow>
    <SentenceRow v-model:open="whileOpen" label="Only while" :says="whileSentence(gate)" :can-edit="session.canEdit">
      <WhileEditor :gate="gate" @change="setGate" />
    </SentenceRow>
    <SentenceRow
      v-model:open="refusal"
      label="Refused with"
      :says="trigger.refusal ? `“${trigger.refusal}”` : 'nothing is said'"
      :can-edit="session.canEdit"
    >
      <TypedField
        class="field"
        aria-label="What chat is told where it is refused"
        maxlength="300"
        :value="trigger.refusal"
        @change="(typed) => set({ refusal: typed })"
      />
      <p class="text-faded">
        Knows <code>{name}</code>, <code>{wait}</code> (how long still) and <code>{reason}</code>. Empty: nothing is
        said. A refusal never costs anything.
      </p>
    </SentenceRow>
    <SentenceRow
      v-model:open="about"
      label="In the list"
      :says="trigger.about || 'its name alone'"
      :can-edit="session.canEdit"
    >
      <TypedField
        class="field"
        aria-label="What viewers read about it"
        maxlength="200"
        :value="trigger.about"
        @change="(typed) => set({ about: typed })"
      />
    </SentenceRow>
    <SentenceRow v-model:open="more" label="And" :says="moreSays" :can-edit="session.canEdit">
      <ChoiceField
        label="Asked for again while it runs"
        :value="trigger.again"
        :choices="againChoices"
        @change="(twice) => set({ again: twice })"
      />
      <template v-if="view.needsStudio">
        <p class="text-faded">Where the studio is away</p>
        <ChoiceField
          label="Where the studio is away"
          :value="trigger.studioAway"
          :choices="awayChoices"
          @change="(studioAway) => set({ studioAway })"
        />
      </template>
      <TickBox :checked="trigger.isDoneByHand" @change="set({ isDoneByHand: !trigger.isDoneByHand })"
        >Somebody does something by hand: it waits on the desk until that is done</TickBox
      >
    </SentenceRow>
  </div>
</template>
