<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { computed, ref } from 'vue'
import { toast } from 'vue-sonner'
import { wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import type { BoxDocument } from '../../../core/composition/box.ts'
import BoardTile from '../boards/BoardTile.vue'
import { useDraftStore } from '../../stores/draft.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import ProofLine from '../proofs/ProofLine.vue'
import AirCompare from './AirCompare.vue'
import DifferenceList from './DifferenceList.vue'
import VersionList from './VersionList.vue'

const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const isSending = ref(false)
const refusal = ref('')
const differences = computed(() => draft.differences)
const isBoard = computed(() => draft.document?.stays === true)
const boards = computed<[string, BoxDocument][]>(() =>
  draft.view?.airDocument && draft.document
    ? [
        [`On air, version ${draft.view.onAir?.number ?? ''}`, draft.view.airDocument],
        ['The draft', draft.document],
      ]
    : [],
)
const tabs = ['What changes', 'Side by side', 'Earlier versions']

async function put(): Promise<void> {
  isSending.value = true
  refusal.value = ''
  try {
    await draft.putOnAir()
    isOpen.value = false
    toast.success(
      `On air: version ${draft.view?.onAir?.number}. ${isBoard.value ? 'Sources show it now.' : 'Sources play it from the next alert on.'}`,
    )
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  isSending.value = false
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="What goes on air" is-wide>
    <TabGroup>
      <TabList class="mb-3 flex gap-1 border-b border-rule">
        <Tab v-for="tab in tabs" :key="tab" v-slot="{ selected }" as="template"
          ><button
            type="button"
            class="-mb-px rounded-t-sm border-b-2 px-3 py-1.5"
            :class="selected ? 'border-ink font-medium' : 'border-transparent text-faded hover:text-ink'"
          >
            {{ tab }}
          </button></Tab
        >
      </TabList>
      <TabPanels class="min-h-64">
        <TabPanel>
          <ProofLine class="mb-3" />
          <p v-if="differences.length > 0" class="mb-3 text-faded">
            {{
              draft.view?.onAir
                ? `Compared with version ${draft.view.onAir.number}, which is on air now.`
                : `This ${isBoard ? 'board' : 'box'} goes on air for the first time.`
            }}
            {{ isBoard ? 'Pages that show it change at once.' : 'Alerts that already wait play as they were.' }}
          </p>
          <DifferenceList :differences="differences" empty="The draft is the same as what is on air." />
        </TabPanel>
        <TabPanel>
          <div v-if="isBoard && draft.view?.airDocument && draft.document" class="grid grid-cols-2 gap-3">
            <figure v-for="[name, shown] in boards" :key="name">
              <figcaption class="mb-1 text-faded">{{ name }}</figcaption>
              <div class="h-52 rounded-sm bg-night p-2"><BoardTile :document="shown" state="usual" /></div>
            </figure>
          </div>
          <AirCompare
            v-else-if="draft.view?.airDocument"
            :air="draft.view.airDocument"
            :air-label="`On air, version ${draft.view.onAir?.number ?? ''}`"
          />
          <p v-else class="text-faded">Nothing is on air yet to compare with.</p>
        </TabPanel>
        <TabPanel><VersionList /></TabPanel>
      </TabPanels>
    </TabGroup>
    <p v-if="refusal" role="alert" class="mt-3 text-brick">{{ refusal }}</p>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Keep tuning</button>
      <button type="button" class="button button-bolt" :disabled="isSending || differences.length === 0" @click="put">
        {{ isSending ? 'Putting on air…' : `Put ${counted(differences.length, 'change')} on air` }}
      </button>
    </template>
  </PaperDialog>
</template>
