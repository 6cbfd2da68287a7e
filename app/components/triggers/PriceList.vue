<script setup lang="ts">
import { Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import { againSentence, whoSentence } from '../../../core/gate/gateSentences.ts'
import { stepsOf } from '../../../core/sheet/schema.ts'
import type { TriggerView } from '../../../contract/triggers.ts'
import { span } from '../../format/time.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import { priceWords, startsSentence } from './startWords.ts'
import { stepWords } from './stepWords.ts'
import { useStepNames } from './useStepNames.ts'

/** What viewers can set off, as a list of prices. */
const props = defineProps<{ chosenId: string | null; nowMs: number }>()
const emit = defineEmits<{ choose: [id: string]; create: []; move: [id: string, before: string | null] }>()
const triggers = useTriggersStore()
const session = useSessionStore()
const live = useLiveStore()
const names = useStepNames()
const words = ref('')

const listed = computed(() => {
  const all = triggers.view?.triggers ?? []
  const wanted = words.value.trim().toLocaleLowerCase()
  return wanted === ''
    ? all
    : all.filter(({ trigger }) =>
        `${trigger.name} ${startsOf(trigger)} ${trigger.about}`.toLocaleLowerCase().includes(wanted),
      )
})
const locale = computed(() => session.session?.channel.locale ?? 'en')
const settings = computed(() => triggers.view?.settings)
const running = computed(
  () => new Set(live.live?.calls.runs.filter(({ progress }) => progress === 'running').map((run) => run.triggerId)),
)
const startsOf = (trigger: TriggerView['trigger']) =>
  startsSentence(trigger, settings.value?.prefix ?? '!', triggers.rewards)

const price = ({ trigger }: TriggerView) =>
  priceWords(
    trigger,
    triggers.rewards,
    { points: settings.value?.points.name ?? { one: 'point', many: 'points' }, locale: locale.value },
    true,
  )
/** What it does, in the words of its first steps. */
function does({ trigger, fault }: TriggerView): string {
  if (fault) return fault
  const steps = stepsOf(trigger.sheet).filter((step) => step.do !== 'wait')
  if (steps.length === 0) return 'does nothing yet'
  const said = steps.slice(0, 3).map((step) => stepWords(step, names))
  return said.join(', ') + (steps.length > 3 ? ` and ${steps.length - 3} more` : '')
}
const left = ({ trigger, left: kept }: TriggerView) =>
  kept === null || trigger.gate.stock === null ? '' : `${kept} of ${trigger.gate.stock} left`

/** Arrows choose the neighbour; with Alt they move the trigger itself. */
function step(event: KeyboardEvent, by: -1 | 1): void {
  const at = listed.value.findIndex(({ trigger }) => trigger.id === props.chosenId)
  if (event.altKey && session.canEdit) {
    const all = triggers.view?.triggers ?? []
    const place = all.findIndex(({ trigger }) => trigger.id === props.chosenId)
    const next = by === 1 ? all[place + 2] : all[place - 1]
    if (props.chosenId !== null && (by === 1 ? place < all.length - 1 : place > 0))
      emit('move', props.chosenId, next?.trigger.id ?? null)
    return
  }
  const next = listed.value[at + by]
  if (!next) return
  emit('choose', next.trigger.id)
  void Promise.resolve().then(() => document.getElementById(`trigger-${next.trigger.id}`)?.focus())
}
</script>

<template>
  <section class="on-paper flex min-h-0 flex-col overflow-y-auto px-7 py-5" aria-labelledby="triggers">
    <div class="flex items-start justify-between gap-4">
      <div>
        <h1 id="triggers" class="font-display text-3xl font-semibold">What viewers can set off</h1>
        <p class="mt-1 text-faded">
          Rewards are bound by the platform’s own id: renamed there or here, nothing breaks.
        </p>
      </div>
      <div class="flex shrink-0 items-center gap-2 pt-1">
        <input
          v-model="words"
          type="search"
          class="field w-36"
          placeholder="Find…"
          aria-label="Find a trigger by its words"
        />
        <button v-if="session.canEdit" type="button" class="button" @click="emit('create')">
          <Plus :size="15" aria-hidden="true" />New trigger
        </button>
      </div>
    </div>
    <div v-if="triggers.view && triggers.view.triggers.length > 0" class="mt-4">
      <div
        class="caps grid grid-cols-[minmax(0,1fr)_7.5rem_8.5rem_8rem] gap-4 border-b border-rule px-3 pb-1.5 text-faded"
        aria-hidden="true"
      >
        <span>Trigger</span><span class="text-right">Price</span><span>Who</span><span>Again after</span>
      </div>
      <ol>
        <li v-for="each in listed" :key="each.trigger.id" class="border-b border-rule">
          <button
            :id="`trigger-${each.trigger.id}`"
            type="button"
            class="grid w-full grid-cols-[minmax(0,1fr)_7.5rem_8.5rem_8rem] items-baseline gap-4 px-3 py-2.5 text-left hover:bg-rule/40"
            :class="each.trigger.id === chosenId ? 'bg-rule/70' : ''"
            :aria-current="each.trigger.id === chosenId ? 'true' : undefined"
            @click="emit('choose', each.trigger.id)"
            @keydown.down.prevent="step($event, 1)"
            @keydown.up.prevent="step($event, -1)"
          >
            <span class="min-w-0">
              <span class="flex items-baseline gap-2">
                <span
                  class="truncate font-display text-base font-semibold"
                  :class="each.trigger.isArmed ? '' : 'text-faded'"
                  ><bdi>{{ each.trigger.name }}</bdi></span
                >
                <span v-if="running.has(each.trigger.id)" class="shrink-0 rounded-xs bg-bolt px-1.5 text-2xs text-char"
                  >running</span
                >
                <span
                  v-else-if="!each.trigger.isArmed"
                  class="shrink-0 rounded-xs border border-faded px-1.5 text-2xs text-faded"
                  >not armed</span
                >
              </span>
              <span class="block truncate text-faded">{{ startsOf(each.trigger) }}</span>
              <span class="block truncate" :class="each.fault ? 'text-brick' : 'text-faded'">{{ does(each) }}</span>
            </span>
            <span class="text-right font-mono text-xs font-semibold">{{ price(each) }}</span>
            <span class="truncate text-faded">{{ whoSentence(each.trigger.gate) }}</span>
            <span class="text-faded"
              >{{ againSentence(each.trigger.gate) }}
              <span v-if="left(each)" class="block">{{ left(each) }}</span>
              <span v-if="each.lastMs" class="block text-2xs"
                >last {{ span(Math.max(0, nowMs - each.lastMs)) }} ago</span
              ></span
            >
          </button>
        </li>
      </ol>
      <p v-if="listed.length === 0" class="py-6 text-center text-faded">Nothing here has these words.</p>
    </div>
    <div v-else-if="triggers.view" class="mx-auto mt-16 max-w-md text-center">
      <h2 class="font-display text-2xl font-semibold">Let viewers make something happen</h2>
      <p class="mt-2 text-faded">
        A trigger is something that viewers set off: a reward that they redeem, a word in the chat. It says who may and
        how often, and does what its run sheet says: play an alert, switch the scene for a while, say something in chat.
      </p>
      <button v-if="session.canEdit" type="button" class="button button-bolt mt-4" @click="emit('create')">
        Make the first one
      </button>
    </div>
    <p v-else class="mt-4 text-faded">Loading…</p>
    <p v-if="triggers.view?.triggers.length" class="mt-auto pt-5 text-faded">
      Viewers find all of this at
      <a class="link text-deep-sky" :href="triggers.view.listUrl" target="_blank" rel="noopener">the list for viewers</a
      ><template v-if="settings?.listWord"
        >; <b>{{ settings.prefix }}{{ settings.listWord }}</b> says its address in chat</template
      >.
    </p>
  </section>
</template>
