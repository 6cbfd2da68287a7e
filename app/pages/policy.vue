<script setup lang="ts">
import { useHead } from '#imports'
import { computed, onMounted, ref, toRef } from 'vue'
import { wordsOf } from '../api/request.ts'
import BoxChoice from '../components/frame/BoxChoice.vue'
import UndoRedo from '../components/frame/UndoRedo.vue'
import FloodPicture from '../components/policy/FloodPicture.vue'
import PolicyPaper from '../components/policy/PolicyPaper.vue'
import { useFlood } from '../components/policy/useFlood.ts'
import ConflictDialog from '../components/publish/ConflictDialog.vue'
import PublishDialog from '../components/publish/PublishDialog.vue'
import { useBoxOfAddress } from '../composables/useBoxOfAddress.ts'
import { useKeys } from '../composables/useKeys.ts'
import { useSaveWords } from '../composables/useSaveWords.ts'
import { useBoxesStore } from '../stores/boxes.ts'
import { useDraftStore } from '../stores/draft.ts'
import { useLiveStore } from '../stores/live.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Policy · Thundercrest' })
const boxes = useBoxesStore()
const draft = useDraftStore()
const media = useMediaStore()
const session = useSessionStore()
const live = useLiveStore()
const isPublishOpen = ref(false)
const { words, isTrouble } = useSaveWords()

const { box, refusal } = useBoxOfAddress()
const boxId = computed(() => box.value?.id ?? null)
const document = toRef(() => draft.document)
const airDocument = toRef(() => draft.view?.airDocument ?? null)
const { arrivals, answer, isBusy, isMadeUp, isBesideAir } = useFlood(boxId, document, airDocument)
const scenes = computed(() => live.live?.calls.studio?.scenes ?? [])

onMounted(async () => {
  try {
    await Promise.all([media.ensureLoaded(), boxes.load()])
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
const isTyping = (event: KeyboardEvent) =>
  event.target instanceof HTMLElement && event.target.closest('input, textarea, [role=dialog]') !== null
const key = (run: () => unknown) => (event: KeyboardEvent) => {
  if (isTyping(event)) return
  event.preventDefault()
  run()
}
useKeys({ '$mod+z': key(() => draft.undo()), '$mod+Shift+z': key(() => draft.redo()) })
</script>

<template>
  <main class="flex h-full min-h-0 flex-col">
    <BoxChoice :box-id="box?.id ?? null" path="/policy" />
    <p v-if="refusal" role="alert" class="px-8 py-4 text-wrong">{{ refusal }}</p>
    <div
      v-if="box && draft.document && draft.view?.id === box.id"
      class="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_minmax(0,1.02fr)] lg:overflow-hidden"
    >
      <section class="on-paper min-h-0 px-8 py-5 lg:overflow-y-auto" aria-labelledby="behaves">
        <div class="flex items-start justify-between gap-4">
          <h1 id="behaves" class="font-display text-xl leading-tight font-semibold">
            How {{ box.name }} behaves on air
          </h1>
          <div v-if="session.canEdit" class="flex shrink-0 items-center gap-2">
            <UndoRedo />
            <button
              type="button"
              class="button"
              :class="draft.differences.length > 0 ? 'button-bolt' : ''"
              @click="isPublishOpen = true"
            >
              {{ draft.differences.length > 0 ? `Put on air · ${draft.differences.length}` : 'On air' }}
            </button>
          </div>
        </div>
        <p class="mt-1 mb-3 text-faded">
          When much comes at once. This is the draft; on air it changes with <b>Put on air</b>, like the rest of the
          box.
          <span role="status" class="ml-1" :class="isTrouble ? 'text-brick' : ''">{{ words }}.</span>
        </p>
        <PolicyPaper :can-edit="session.canEdit" :scenes="scenes" />
      </section>
      <FloodPicture
        :arrivals="arrivals"
        :answer="answer"
        :is-made-up="isMadeUp"
        :is-busy="isBusy"
        :is-beside-air="isBesideAir"
      />
    </div>
    <p v-else-if="boxes.boxes?.length === 0" class="p-8 text-mist">
      A policy belongs to a box. Make a box first, under <b>Boxes</b>.
    </p>
    <p v-else-if="!refusal" class="p-8 text-mist">Loading…</p>
    <PublishDialog v-model:open="isPublishOpen" />
    <ConflictDialog />
  </main>
</template>
