<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import { toast } from 'vue-sonner'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { hasAmount } from '../../../core/points/schema.ts'
import type { CallSettings } from '../../../core/triggers/settings.ts'
import { wordsOf } from '../../api/request.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'

/** How viewers come to the channel's own points, and what these are called. */
const props = defineProps<{ settings: CallSettings }>()
const triggers = useTriggersStore()
const session = useSessionStore()
const points = computed(() => props.settings.points)
type Points = CallSettings['points']
async function set(fields: Partial<Points>): Promise<void> {
  await save({ ...props.settings, points: { ...points.value, ...fields } })
}
async function save(next: CallSettings): Promise<void> {
  const before = props.settings
  try {
    await triggers.setSettings(next)
    toast.success('Kept. It holds from the next event on.', {
      id: 'calls',
      action: { label: 'Undo', onClick: () => void triggers.setSettings(before) },
    })
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
const put = (at: number, rule: Points['earned'][number] | null) =>
  set({ earned: points.value.earned.flatMap((each, index) => (index === at ? (rule ?? []) : [each])) })
const free = computed(() => [
  { value: '', label: 'for something else…' },
  ...eventKinds
    .filter((kind) => !points.value.earned.some((rule) => rule.kind === kind))
    .map((value) => ({ value, label: kindNames[value] })),
])
const add = (kind: string) =>
  kind !== '' &&
  set({
    earned: [
      ...points.value.earned,
      { kind: kind as EventKind, points: 10, perMinor: hasAmount(kind as EventKind) ? 100 : null },
    ],
  })
const currency = computed(() => session.session?.channel.currency ?? 'EUR')
</script>

<template>
  <section class="min-h-0 space-y-4 overflow-y-auto px-6 py-5" aria-labelledby="rules">
    <h2 id="rules" class="font-display text-xl font-semibold">How they come to them</h2>
    <div class="on-paper space-y-3 rounded-sm p-3">
      <div class="grid grid-cols-2 gap-2">
        <label class="block"
          >One is called<TypedField
            class="field"
            maxlength="30"
            :disabled="!session.canEdit"
            :value="points.name.one"
            @change="(one) => one !== '' && set({ name: { ...points.name, one } })"
        /></label>
        <label class="block"
          >many are called<TypedField
            class="field"
            maxlength="30"
            :disabled="!session.canEdit"
            :value="points.name.many"
            @change="(many) => many !== '' && set({ name: { ...points.name, many } })"
        /></label>
      </div>
      <div class="border-t border-rule pt-2">
        <TickBox
          :disabled="!session.canEdit"
          :checked="points.presence !== null"
          @change="set({ presence: points.presence ? null : { points: 5, everyMs: 600_000 } })"
          >For being there in chat</TickBox
        >
        <div v-if="points.presence" class="mt-1 grid grid-cols-[minmax(0,1fr)_auto_minmax(0,1fr)] items-center gap-2">
          <NumberField
            :label="`${points.name.many} for being there`"
            :value="points.presence.points"
            :min="1"
            :max="1_000_000"
            :disabled="!session.canEdit"
            @change="(each) => points.presence && set({ presence: { ...points.presence, points: each } })"
          />
          every
          <NumberField
            label="Every minutes"
            unit="min"
            :value="points.presence.everyMs / 60_000"
            :min="1"
            :max="1440"
            :disabled="!session.canEdit"
            @change="
              (minutes) => points.presence && set({ presence: { ...points.presence, everyMs: minutes * 60_000 } })
            "
          />
        </div>
      </div>
      <div
        v-for="(rule, at) in points.earned"
        :key="rule.kind"
        class="grid grid-cols-[minmax(0,1fr)_4.5rem_1.5rem] items-center gap-2 border-t border-rule pt-2"
      >
        <span class="min-w-0"
          >{{ kindNames[rule.kind] }}<template v-if="rule.perMinor !== null">, per each </template></span
        >
        <NumberField
          :label="`${points.name.many} for ${kindNames[rule.kind]}`"
          :value="rule.points"
          :min="0"
          :max="1_000_000"
          :disabled="!session.canEdit"
          @change="(each) => put(at, { ...rule, points: each })"
        />
        <button
          v-if="session.canEdit"
          type="button"
          class="grid size-6 place-items-center rounded-sm hover:bg-rule/60"
          :aria-label="`Nothing for ${kindNames[rule.kind]}`"
          @click="put(at, null)"
        >
          <X :size="13" aria-hidden="true" />
        </button>
        <span v-if="rule.perMinor !== null" class="col-span-2 w-28">
          <NumberField
            :label="`For each amount of ${currency}, in its smallest unit`"
            :unit="currency"
            :value="rule.perMinor / 100"
            :min="0.01"
            :max="10_000_000"
            :step="0.1"
            :decimals="2"
            :disabled="!session.canEdit"
            @change="(amount) => put(at, { ...rule, perMinor: Math.max(1, Math.round(amount * 100)) })"
          />
        </span>
      </div>
      <div v-if="session.canEdit" class="flex items-center gap-2 border-t border-rule pt-2">
        <Plus :size="13" aria-hidden="true" />
        <div class="min-w-0 flex-1"><ChoiceField label="Also for" value="" :choices="free" @change="add" /></div>
      </div>
    </div>
    <h2 class="font-display text-xl font-semibold">In chat</h2>
    <div class="on-paper grid grid-cols-2 gap-2 rounded-sm p-3">
      <label class="block"
        >Commands begin with<TypedField
          class="field"
          maxlength="3"
          :disabled="!session.canEdit"
          :value="settings.prefix"
          @change="(prefix) => /^[^\s\p{L}\p{N}]{1,3}$/u.test(prefix) && save({ ...settings, prefix })"
      /></label>
      <label class="block"
        >The list is told by<TypedField
          class="field"
          maxlength="40"
          :disabled="!session.canEdit"
          :value="settings.listWord"
          @change="(listWord) => save({ ...settings, listWord })"
      /></label>
    </div>
  </section>
</template>
