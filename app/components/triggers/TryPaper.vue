<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { TriggerView, TryAnswer } from '../../../contract/triggers.ts'
import { request, wordsOf } from '../../api/request.ts'
import { span } from '../../format/time.ts'
import { useLiveStore } from '../../stores/live.ts'
import NumberField from '../fields/NumberField.vue'
import ChoiceField from '../fields/ChoiceField.vue'

/** The gate, tried as any viewer at any moment: nothing is charged and nothing happens. */
const props = defineProps<{ view: TriggerView; pointsName: string }>()
const live = useLiveStore()
const isOpen = ref(false)
const name = ref('pip_rye')
const role = ref<'' | 'subscriber' | 'vip' | 'moderator'>('')
const months = ref(0)
const balance = ref(1000)
const input = ref('')
const when = ref('')
const answer = ref<TryAnswer | null>(null)
const refusal = ref('')
const roleChoices = [
  { value: '', label: 'a viewer' },
  { value: 'subscriber', label: 'a subscriber' },
  { value: 'vip', label: 'a VIP' },
  { value: 'moderator', label: 'a moderator' },
] as const
const body = computed(() => ({
  viewer: {
    id: `try/${name.value}`,
    name: name.value.trim() || 'somebody',
    roles: role.value === '' ? [] : [role.value],
    tier: role.value === 'subscriber' ? 1 : null,
    months: months.value > 0 ? months.value : null,
    isFirstTime: true,
    balance: balance.value,
  },
  input: input.value,
  atMs: when.value === '' ? null : new Date(when.value).getTime(),
  scene: live.live?.calls.studio.programme ?? null,
}))
let asked = 0
async function ask(): Promise<void> {
  const mine = ++asked
  try {
    const heard = await request<TryAnswer>('POST', `/api/triggers/${props.view.trigger.id}/tries`, body.value)
    if (mine !== asked) return
    answer.value = heard
    refusal.value = ''
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
watch([isOpen, body, () => props.view], () => void (isOpen.value && ask()))
</script>

<template>
  <section aria-label="Try the gate">
    <button type="button" class="link text-mist hover:text-snow" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      {{ isOpen ? 'Enough tried' : 'Try it as somebody…' }}
    </button>
    <div v-if="isOpen" class="on-paper mt-2 space-y-2 rounded-sm p-3">
      <div class="grid grid-cols-2 gap-2">
        <input v-model="name" class="field" aria-label="Name of the viewer" maxlength="100" />
        <ChoiceField label="Who it is" :value="role" :choices="roleChoices" @change="role = $event" />
        <NumberField
          :label="`How many ${pointsName}`"
          :unit="pointsName"
          :value="balance"
          :min="0"
          :max="1_000_000_000"
          @change="balance = $event"
        />
        <NumberField
          label="Subscribed for months"
          unit="months"
          :value="months"
          :min="0"
          :max="1000"
          @change="months = $event"
        />
        <input
          v-if="view.trigger.gate.asked"
          v-model="input"
          class="field col-span-2"
          aria-label="What is typed"
          placeholder="what is typed"
          maxlength="500"
        />
        <label class="col-span-2 flex items-center gap-2"
          >at<input v-model="when" type="datetime-local" class="field" aria-label="When; empty for now"
        /></label>
      </div>
      <p
        v-if="answer"
        role="status"
        class="border-l-4 pl-2 font-medium"
        :class="answer.isAllowed ? 'border-moss text-moss' : 'border-brick text-brick'"
      >
        {{ answer.words }}
        <span v-if="answer.retryAtMs" class="block font-normal text-faded"
          >Again in {{ span(answer.retryAtMs - (body.atMs ?? Date.now())) }}.</span
        >
        <span v-if="answer.said" class="block font-normal text-ink">Chat is told: “{{ answer.said }}”</span>
      </p>
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
      <p class="text-faded">Nothing is charged, and nothing happens.</p>
    </div>
  </section>
</template>
