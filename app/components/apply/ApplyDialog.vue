<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import {
  applyToMany,
  carried,
  fieldsIn,
  otherVariations,
  type Carried,
  type SingleField,
} from '../../../core/edit/applyToMany.ts'
import { fieldNames } from '../../../core/edit/fieldNames.ts'
import { freeKinds } from '../../../core/edit/alertEdits.ts'
import { alertFor, copyToKinds, together } from '../../../core/edit/copyToKinds.ts'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { changeBox } from '../../../core/edit/change.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import ApplyTarget from './ApplyTarget.vue'

/**
 * Carries what is ticked from the case that is open to as many others as wanted, each seen before and after; one step
 * to undo.
 */
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const notify = useUndoNotice()
const room = useScoreRoomStore()
const words: Record<Carried, string> = {
  style: 'style of words and shapes',
  motion: 'motion',
  layout: 'where things stand',
  pictures: 'pictures',
  sounds: 'sounds',
  timing: 'timing',
  message: 'style of the viewer’s message',
}
const what = ref<Carried[]>(['style', 'motion'])
const ticked = ref<Set<string>>(new Set())
/** Single properties besides, for a part that is to stay otherwise as it is. */
const fields = ref<SingleField[]>([])
const isNothing = computed(() => what.value.length === 0 && fields.value.length === 0)
const singles = computed(() => (room.composition ? fieldsIn(room.composition) : []))
const source = computed(() => room.address)
const others = computed(() => (draft.document && source.value ? otherVariations(draft.document, source.value) : []))
const keyOf = ({ alertId, variationId }: { alertId: string; variationId: string }) => `${alertId}/${variationId}`
const groups = computed(() =>
  (draft.document?.alerts ?? [])
    .map((alert) => ({
      alert,
      name: kindNames[mainKind(alert)],
      targets: others.value.filter(({ address }) => address.alertId === alert.id),
    }))
    .filter(({ targets }) => targets.length > 0),
)
const chosen = computed(() =>
  others.value.filter(({ address }) => ticked.value.has(keyOf(address))).map(({ address }) => address),
)
/** What the box would be; the dry run of the very edit. */
const after = computed(() => {
  if (!isOpen.value || !draft.document || !source.value || isNothing.value) return draft.document
  const result = changeBox(
    draft.document,
    applyToMany(
      source.value,
      others.value.map(({ address }) => address),
      what.value,
      fields.value,
    ),
  )
  return result.ok ? result.value.document : draft.document
})

/** Kinds without an alert that get one, made from the one that is open. */
const newKinds = ref<EventKind[]>([])
const free = computed(() => (draft.document ? freeKinds(draft.document, eventKinds) : []))
const notesFor = (kind: EventKind) => (room.alert ? alertFor(room.alert, kind).notes : [])

watch(isOpen, (open) => {
  newKinds.value = []
  fields.value = []
  if (open) ticked.value = new Set(others.value.map(({ address }) => keyOf(address)))
})
function tick(keys: readonly string[], isTicked: boolean): void {
  const next = new Set(ticked.value)
  for (const key of keys)
    if (isTicked) next.add(key)
    else next.delete(key)
  ticked.value = next
}
function apply(): void {
  if (!source.value) return
  const count = chosen.value.length + newKinds.value.length
  const carry = isNothing.value ? [] : [applyToMany(source.value, chosen.value, what.value, fields.value)]
  const copy = newKinds.value.length > 0 ? [copyToKinds(source.value.alertId, newKinds.value)] : []
  if (!draft.edit(together(`apply to ${count}`, [...carry, ...copy]))) return
  isOpen.value = false
  notify(`Carried over to ${counted(count, 'place')}.`)
}
</script>

<template>
  <PaperDialog
    v-model:open="isOpen"
    :title="`Apply “${room.variation?.name ?? ''}” of ${room.alert ? kindNames[mainKind(room.alert)] : ''} to…`"
    is-wide
  >
    <fieldset>
      <legend class="mb-1 text-faded">What is carried over. Words stay as they are.</legend>
      <div class="flex flex-wrap gap-x-4 gap-y-1">
        <label v-for="each in carried" :key="each" class="flex items-center gap-1.5"
          ><input v-model="what" type="checkbox" class="size-4 accent-deep-sky" :value="each" />{{ words[each] }}</label
        >
      </div>
    </fieldset>
    <details class="mt-2">
      <summary class="cursor-pointer text-deep-sky">
        Or single properties{{
          fields.length > 0 ? `: ${fields.map((field) => fieldNames[field] ?? field).join(', ')}` : ''
        }}
      </summary>
      <fieldset class="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        <legend class="sr-only">Single properties</legend>
        <label v-for="field in singles" :key="field" class="flex items-center gap-1.5"
          ><input v-model="fields" type="checkbox" class="size-4 accent-deep-sky" :value="field" />{{
            fieldNames[field] ?? field
          }}</label
        >
      </fieldset>
    </details>
    <div class="mt-3 flex items-center justify-between border-t border-rule pt-3">
      <p class="text-faded">{{ counted(chosen.length, 'case') }} of {{ others.length }}</p>
      <div class="flex gap-3">
        <button
          type="button"
          class="link text-deep-sky"
          @click="
            tick(
              others.map(({ address }) => keyOf(address)),
              true,
            )
          "
        >
          all</button
        ><button type="button" class="link text-deep-sky" @click="ticked = new Set()">none</button>
      </div>
    </div>
    <section v-for="{ alert, name, targets } in groups" :key="alert.id" class="mt-2" :aria-label="name">
      <label class="flex items-center gap-2 font-semibold"
        ><input
          type="checkbox"
          class="size-4 accent-deep-sky"
          :checked="targets.every(({ address }) => ticked.has(keyOf(address)))"
          :aria-label="`All cases of ${name}`"
          @change="
            tick(
              targets.map(({ address }) => keyOf(address)),
              ($event.target as HTMLInputElement).checked,
            )
          "
        />{{ name }}</label
      >
      <ul class="mt-1 space-y-1.5">
        <ApplyTarget
          v-for="{ address, variation } in targets"
          :key="keyOf(address)"
          :before="draft.document!"
          :after="after ?? draft.document!"
          :alert-id="address.alertId"
          :variation="variation"
          :is-ticked="ticked.has(keyOf(address))"
          :label="`${name}: ${variation.name}`"
          @tick="tick([keyOf(address)], $event)"
        />
      </ul>
    </section>
    <fieldset v-if="free.length > 0" class="mt-4 border-t border-rule pt-3">
      <legend class="float-left mb-1 w-full font-semibold">Kinds without an alert: make them one like it</legend>
      <div class="clear-both flex flex-wrap gap-x-4 gap-y-1">
        <label v-for="kind in free" :key="kind" class="flex items-center gap-1.5"
          ><input v-model="newKinds" type="checkbox" class="size-4 accent-deep-sky" :value="kind" />{{
            kindNames[kind]
          }}</label
        >
      </div>
      <ul class="mt-2 text-faded" aria-live="polite">
        <li v-for="kind in newKinds" :key="kind">
          <b class="font-medium text-ink">{{ kindNames[kind] }}</b>:
          {{ notesFor(kind).join('; ') || 'copied as it is' }}
        </li>
      </ul>
    </fieldset>
    <p v-if="others.length === 0 && free.length === 0" class="mt-3 text-faded">
      There is no other case in this box yet.
    </p>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Cancel</button>
      <button
        type="button"
        class="button button-bolt"
        :disabled="(chosen.length === 0 || isNothing) && newKinds.length === 0"
        @click="apply"
      >
        Apply to {{ counted(chosen.length + newKinds.length, 'place') }}
      </button>
    </template>
  </PaperDialog>
</template>
