<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import { mainKind } from '../../../core/composition/box.ts'
import { takeOutAlert } from '../../../core/edit/bringAlert.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { request, wordsOf } from '../../api/request.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** Copies or moves the open alert, or the open case alone, to another box of the channel. */
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const room = useScoreRoomStore()
const boxes = useBoxesStore()
const notify = useUndoNotice()
const what = ref<'case' | 'alert'>('case')
const to = ref('')
const refusal = ref('')
const isWorking = ref(false)
const others = computed(() => (boxes.boxes ?? []).filter(({ id }) => id !== draft.view?.id))
const target = computed(() => others.value.find(({ id }) => id === to.value) ?? others.value[0] ?? null)
const kind = computed(() => (room.alert ? kindNames[mainKind(room.alert)] : ''))
/** What becomes of it there. */
const becomes = computed(() => {
  const { alert } = room
  const box = target.value
  if (!alert || !box) return ''
  const there = box.document.alerts.some(({ kinds }) => kinds.some((each) => alert.kinds.includes(each)))
  return there
    ? `${box.name} has an alert for this already: what is brought is asked before its cases.`
    : `${box.name} has no alert for this yet: it gets one.`
})
const hasOtherSize = computed(
  () =>
    target.value !== null &&
    draft.document !== null &&
    JSON.stringify(target.value.document.canvas) !== JSON.stringify(draft.document.canvas),
)
watch(isOpen, async (open) => {
  refusal.value = ''
  // The less of the two, whatever was brought before.
  what.value = 'case'
  if (open) await boxes.load().catch((error: unknown) => (refusal.value = wordsOf(error)))
})
async function bring(isMoved: boolean): Promise<void> {
  const address = room.address
  const box = target.value
  if (!address || !box || !draft.view) return
  const brought = { alertId: address.alertId, variationId: what.value === 'case' ? address.variationId : null }
  isWorking.value = true
  refusal.value = ''
  try {
    // What is copied is what is seen here, edits of the last moment included.
    await draft.save()
    if (draft.saveState !== 'saved') throw new Error('The last edits are not saved yet. Try again in a moment.')
    await request('POST', `/api/boxes/${box.id}/alerts`, { fromBoxId: draft.view.id, ...brought })
    isOpen.value = false
    if (isMoved && draft.edit(takeOutAlert(brought))) notify(`Moved to ${box.name}. Undo brings it back here, too.`)
    else toast.success(`Copied to ${box.name}: it stands in its draft.`)
  } catch (error) {
    refusal.value = wordsOf(error)
  } finally {
    isWorking.value = false
  }
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="To another box">
    <p v-if="others.length === 0" class="text-faded">This is the only box. Make another one first.</p>
    <div v-else class="space-y-4">
      <fieldset>
        <legend class="mb-1 font-medium">What</legend>
        <label class="flex items-center gap-2"
          ><input v-model="what" type="radio" value="case" class="size-4 accent-deep-sky" />the case “{{
            room.variation?.name
          }}”</label
        >
        <label class="mt-1 flex items-center gap-2"
          ><input v-model="what" type="radio" value="alert" class="size-4 accent-deep-sky" />the whole alert for
          {{ kind.toLowerCase() }}, with all its cases</label
        >
      </fieldset>
      <label class="block">
        <span class="mb-1 block font-medium">Which box</span>
        <select v-model="to" class="field" aria-label="Which box">
          <option v-for="(box, index) in others" :key="box.id" :value="index === 0 && to === '' ? '' : box.id">
            {{ box.name }}
          </option>
        </select>
      </label>
      <p class="text-faded">
        {{ becomes }} It wears the look of that box<template v-if="hasOtherSize"
          >, and is laid out for its canvas</template
        >. On air nothing changes.
      </p>
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    </div>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Cancel</button>
      <template v-if="others.length > 0">
        <button type="button" class="button" :disabled="isWorking" @click="bring(true)">Move it</button>
        <button type="button" class="button button-bolt" :disabled="isWorking" @click="bring(false)">Copy it</button>
      </template>
    </template>
  </PaperDialog>
</template>
