<script setup lang="ts">
import { useHead } from '#imports'
import { Switch, SwitchGroup, SwitchLabel } from '@headlessui/vue'
import { onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import { wordsOf } from '../api/request.ts'
import LevelPaper from '../components/speech/LevelPaper.vue'
import LimitsSection from '../components/speech/LimitsSection.vue'
import TrialShares from '../components/speech/TrialShares.vue'
import TryPaper from '../components/speech/TryPaper.vue'
import VoicesSection from '../components/speech/VoicesSection.vue'
import WordsSection from '../components/speech/WordsSection.vue'
import { useSpeechSettings } from '../composables/useSpeechSettings.ts'
import { useSessionStore } from '../stores/session.ts'
import { useSpeechStore } from '../stores/speech.ts'

useHead({ title: 'Speech desk · Thundercrest' })
const speech = useSpeechStore()
const session = useSessionStore()
const { settings } = useSpeechSettings()
const refusal = ref('')
onMounted(async () => {
  try {
    await speech.ensureLoaded()
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
async function turn(isOn: boolean): Promise<void> {
  try {
    await speech.turn(isOn)
    toast.success(isOn ? 'Messages are read aloud.' : 'Nothing is read aloud any more.', {
      id: 'voices',
      action: { label: 'Undo', onClick: () => void turn(!isOn) },
    })
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
</script>

<template>
  <main class="flex h-full min-h-0 flex-col px-8 py-5">
    <div class="mb-4 flex items-start justify-between gap-6">
      <div>
        <h1 class="font-display text-3xl font-semibold">Speech desk</h1>
        <p class="mt-1 text-mist">
          How what viewers write is cleaned before a voice reads it. Changes hold from the next message on.
        </p>
      </div>
      <SwitchGroup v-if="settings" as="div" class="flex shrink-0 items-center gap-2 pt-1">
        <SwitchLabel>{{ settings.isOn ? 'Reading aloud is on' : 'Reading aloud is off' }}</SwitchLabel>
        <Switch
          :model-value="settings.isOn"
          class="relative h-6 w-11 rounded-full border"
          :class="settings.isOn ? 'border-fine bg-fine' : 'border-mist bg-transparent'"
          @update:model-value="turn"
          ><span
            class="absolute top-0.5 left-0.5 size-4.5 rounded-full transition-transform"
            :class="settings.isOn ? 'translate-x-5 bg-night' : 'bg-mist'"
        /></Switch>
      </SwitchGroup>
    </div>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <div
      v-if="settings"
      class="grid min-h-0 flex-1 grid-cols-1 gap-5 overflow-y-auto lg:grid-cols-[20rem_minmax(0,1fr)_20rem] lg:overflow-hidden"
    >
      <section class="on-paper min-h-0 space-y-2 overflow-y-auto rounded-sm p-4" aria-labelledby="level">
        <h2 id="level" class="font-display text-xl font-semibold">How strictly</h2>
        <LevelPaper :settings="settings" :disabled="!session.canEdit" />
        <LimitsSection :settings="settings" :disabled="!session.canEdit" />
        <WordsSection :settings="settings" :disabled="!session.canEdit" />
        <VoicesSection :settings="settings" :disabled="!session.canEdit" />
      </section>
      <TryPaper />
      <TrialShares :settings="settings" />
    </div>
    <p v-else-if="!refusal" class="text-mist">Asking the voices…</p>
  </main>
</template>
