<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { computed, ref, watch } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { takePack, takenKinds } from '../../../core/pack/takePack.ts'
import { toast } from 'vue-sonner'
import { wordsOf } from '../../api/request.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { usePacksStore } from '../../stores/packs.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import PackTile from './PackTile.vue'
import TriggersTick from './TriggersTick.vue'

/** Takes alerts of a pack into the box that is open, beside or in the place of its own. */
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const notify = useUndoNotice()
const packs = usePacksStore()
const chosenId = ref<string>()
const ticked = ref<string[]>([])
const wearsLook = ref(false)
const refusal = ref('')
const isTaking = ref(false)
const withTriggers = ref(true)
const offered = computed(() =>
  packs.offered.filter(({ id }) => !draft.document?.packs.some((taken) => taken.id === id)),
)
const chosen = computed(() =>
  chosenId.value === undefined ? null : (packs.opened.get(chosenId.value)?.manifest ?? null),
)
const triggers = computed(() => chosen.value?.triggers ?? [])
const rows = computed(() =>
  (chosen.value?.box.alerts ?? []).map((alert) => ({
    alert,
    name: alert.kinds.map((kind) => kindNames[kind]).join(', '),
    replaces: draft.document ? takenKinds(draft.document, alert) : [],
  })),
)

watch(isOpen, (open) => open && (chosenId.value = undefined))
watch(chosenId, async (shelfId) => {
  refusal.value = ''
  ticked.value = []
  wearsLook.value = (draft.document?.alerts.length ?? 0) === 0
  if (shelfId === undefined) return
  await packs.open(shelfId).catch((error: unknown) => (refusal.value = wordsOf(error)))
  // What the box has already is left alone until somebody says otherwise.
  ticked.value = rows.value.filter(({ replaces }) => replaces.length === 0).map(({ alert }) => alert.id)
})
async function take(): Promise<void> {
  if (!chosen.value || chosenId.value === undefined) return
  isTaking.value = true
  try {
    await packs.takeFiles(chosenId.value)
    const count = ticked.value.length
    if (draft.edit(takePack(chosen.value, chosenId.value, { alertIds: ticked.value, wearsLook: wearsLook.value }))) {
      notify(`${counted(count, 'alert')} of ${chosen.value.name} taken.`)
      if (triggers.value.length > 0 && withTriggers.value) await takeTriggers(chosen.value.id, chosenId.value)
      isOpen.value = false
    } else refusal.value = draft.refusal ?? ''
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  isTaking.value = false
}
async function takeTriggers(packId: string, shelfId: string): Promise<void> {
  const alerts = draft.document?.packs.find(({ id }) => id === packId)?.alerts
  if (!draft.view || !alerts) return
  await packs.takeTriggers(shelfId, { boxId: draft.view.id, alerts })
  toast.success(`${counted(triggers.value.length, 'trigger')} added, unarmed: arm them under Triggers.`)
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Take a pack into this box" is-wide>
    <RadioGroup v-model="chosenId">
      <RadioGroupLabel as="p" class="mb-2 text-faded">Which one? Each moves while you look at it.</RadioGroupLabel>
      <div class="grid grid-cols-4 gap-2">
        <RadioGroupOption
          v-for="pack in offered"
          :key="pack.shelfId"
          v-slot="{ checked }"
          :value="pack.shelfId"
          class="cursor-pointer rounded-sm"
          ><PackTile
            :pack="pack"
            :is-chosen="checked"
            class="rounded-sm border"
            :class="checked ? 'border-deep-sky bg-sheet outline-2 outline-deep-sky' : 'border-rule'"
        /></RadioGroupOption>
      </div>
    </RadioGroup>
    <fieldset v-if="chosen" class="mt-4 border-t border-rule pt-3">
      <legend class="float-left mb-1 flex w-full justify-between font-semibold">
        <span>What of it</span
        ><span class="flex gap-3 font-normal"
          ><button type="button" class="link text-deep-sky" @click="ticked = rows.map(({ alert }) => alert.id)">
            all</button
          ><button type="button" class="link text-deep-sky" @click="ticked = []">none</button></span
        >
      </legend>
      <ul class="clear-both grid grid-cols-2 gap-x-4 gap-y-1">
        <li v-for="{ alert, name, replaces } in rows" :key="alert.id">
          <label class="flex items-baseline gap-2"
            ><input
              v-model="ticked"
              type="checkbox"
              class="size-4 shrink-0 translate-y-0.5 accent-deep-sky"
              :value="alert.id"
              :aria-label="name"
            /><span
              >{{ kindNames[mainKind(alert)]
              }}<span v-if="replaces.length > 0" class="text-faded">{{
                ticked.includes(alert.id) ? ', in the place of yours' : ', you have one'
              }}</span></span
            ></label
          >
        </li>
      </ul>
      <label class="mt-3 flex items-center gap-2"
        ><input v-model="wearsLook" type="checkbox" class="size-4 accent-deep-sky" />with its look: every alert of this
        box then has its colours, typefaces and motion</label
      >
      <p v-if="!wearsLook" class="text-faded">
        Without it, its alerts have the look of this box, and dials that turn its look are left out.
      </p>
      <TriggersTick v-model="withTriggers" class="mt-2" :names="triggers.map(({ name }) => name)" />
    </fieldset>
    <p v-if="refusal" role="alert" class="mt-2 text-brick">{{ refusal }}</p>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Cancel</button>
      <button
        type="button"
        class="button button-bolt"
        :disabled="!chosen || isTaking || (ticked.length === 0 && !wearsLook)"
        @click="take"
      >
        Take {{ counted(ticked.length, 'alert') }}
      </button>
    </template>
  </PaperDialog>
</template>
