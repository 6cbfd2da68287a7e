<script setup lang="ts">
import { navigateTo, useHead, useRoute } from '#imports'
import { Copy } from '@lucide/vue'
import { useClipboard, useIntervalFn } from '@vueuse/core'
import { computed, onMounted } from 'vue'
import { toast } from 'vue-sonner'
import type { Campaign } from '../../core/campaign/schema.ts'
import { wordsOf } from '../api/request.ts'
import TitleField from '../components/fields/TitleField.vue'
import CampaignSentences from '../components/sponsors/CampaignSentences.vue'
import CampaignTable from '../components/sponsors/CampaignTable.vue'
import { newCampaign, standsWords } from '../components/sponsors/sponsorWords.ts'
import { tried } from '../composables/tried.ts'
import { useUndoKey } from '../composables/useUndoKey.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSessionStore } from '../stores/session.ts'
import { useSponsorsStore } from '../stores/sponsors.ts'

useHead({ title: 'Sponsors · Thundercrest' })
const sponsors = useSponsorsStore()
const media = useMediaStore()
const session = useSessionStore()
const route = useRoute()
const { copy, isSupported } = useClipboard()

const chosen = computed(() => {
  const all = sponsors.view?.campaigns ?? []
  return all.find(({ campaign }) => campaign.id === String(route.query.sponsor ?? '')) ?? all[0] ?? null
})
const choose = (id: string) => navigateTo({ path: '/sponsors', query: { sponsor: id } }, { replace: true })
onMounted(() => {
  void tried(sponsors.load())
  void tried(media.ensureLoaded())
})
const change = (edit: (campaign: Campaign) => Campaign) =>
  chosen.value !== null && void tried(sponsors.change(chosen.value.campaign.id, edit))
async function create(): Promise<void> {
  try {
    await choose(await sponsors.create(newCampaign(Date.now())))
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
async function putAway(): Promise<void> {
  const { id, name } = chosen.value?.campaign ?? {}
  if (id === undefined || !(await tried(sponsors.remove(id, true)))) return
  toast.success(`“${name}” is put away. What came of it stays in the CSV.`, {
    action: { label: 'Undo', onClick: () => void tried(sponsors.remove(id, false)) },
  })
}
async function copyAddress(address: string): Promise<void> {
  await copy(address)
  toast.success('The address is copied.')
}
// How many watch is said again and again, and turns come by the clock.
useIntervalFn(() => void sponsors.load().catch(() => undefined), 20_000)
const undo = useUndoKey(sponsors.undo, choose)
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27.5rem] lg:overflow-hidden">
    <CampaignTable :view="sponsors.view" :chosen-id="chosen?.campaign.id ?? null" @choose="choose" @create="create" />
    <section
      v-if="chosen && sponsors.view"
      :key="chosen.campaign.id"
      class="flex min-h-0 flex-col"
      aria-label="The chosen sponsor"
    >
      <div class="min-h-0 flex-1 space-y-4 overflow-y-auto px-6 py-5">
        <div>
          <TitleField
            label="Name of the sponsor"
            :value="chosen.campaign.name"
            :most-letters="80"
            @change="(name) => change((of) => ({ ...of, name }))"
          />
          <p class="mt-1 text-mist">{{ standsWords[chosen.stands] }}</p>
        </div>
        <div v-if="chosen.goUrl" class="flex items-start justify-between gap-3">
          <p class="min-w-0">
            <span class="text-mist">Clicks are counted at</span>
            <span class="block font-mono text-xs break-all">{{ chosen.goUrl }}</span>
          </p>
          <button v-if="isSupported" type="button" class="button shrink-0" @click="copyAddress(chosen.goUrl)">
            <Copy :size="14" aria-hidden="true" />Copy
          </button>
        </div>
        <CampaignSentences
          :view="chosen"
          :has-lines="sponsors.view.hasLines"
          :has-alerts="sponsors.view.hasAlerts"
          @change="change"
        />
      </div>
      <div v-if="session.canEdit" class="flex flex-wrap items-center gap-3 border-t border-seam px-6 py-3">
        <button
          type="button"
          class="button"
          :class="chosen.campaign.isPaused ? 'button-bolt' : ''"
          @click="change((of) => ({ ...of, isPaused: !of.isPaused }))"
        >
          {{ chosen.campaign.isPaused ? 'Let it be shown' : 'Pause it' }}
        </button>
        <button type="button" class="link text-mist hover:text-snow" @click="putAway">Put it away</button>
        <button v-if="sponsors.canUndo" type="button" class="link ml-auto text-mist hover:text-snow" @click="undo">
          Undo
        </button>
      </div>
    </section>
  </main>
</template>
