<script setup lang="ts">
import { computed, provide, ref, watch } from 'vue'
import { silenceRemark } from '../../../core/edit/silenceRemark.ts'
import { isVisiblePart } from '../../../core/score/parts/part.ts'
import type { Remark } from '../../../core/remarks/remark.ts'
import { applyEverywhere, counterparts } from '../../../core/edit/applyEverywhere.ts'
import { mixedFields } from '../../../core/edit/mixedFields.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useShownLook } from '../../composables/useShownLook.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { partKindLooks, type PartSurroundings } from '../../kinds/partKinds.ts'
import { dialScopeKey } from '../dials/dialScope.ts'
import DialsInspector from '../dials/DialsInspector.vue'
import RemarkList from '../stage/RemarkList.vue'
import CasesInspector from '../roll/CasesInspector.vue'
import SelectionBar from '../stage/SelectionBar.vue'
import { hasOwnPlace } from '../stage/stageGeometry.ts'
import TypedField from '../fields/TypedField.vue'
import KeyframeSection from './KeyframeSection.vue'
import LookInspector from '../look/LookInspector.vue'
import MotionSection from './MotionSection.vue'
import PlaceSection from './PlaceSection.vue'
import TimingSection from './TimingSection.vue'
import ZonesInspector from './ZonesInspector.vue'

const props = defineProps<{ canEdit: boolean; remarks: readonly Remark[]; startMs: number; tMs: number }>()
const emit = defineEmits<{ seek: [tMs: number] }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const view = useRoomViewStore()
const look = useShownLook()
provide(
  dialScopeKey,
  computed(() =>
    room.part && room.address
      ? {
          prefix: `alerts.${room.address.alertId}.variations.${room.address.variationId}.parts.${room.part.id}`,
          name: room.part.name,
        }
      : null,
  ),
)
/** What the field of the words says itself is not said twice. */
const own = computed(() =>
  props.remarks.filter(
    (remark) =>
      room.part !== null &&
      remark.partId === room.part.id &&
      remark.type !== 'templateProblem' &&
      remark.type !== 'unknownVariable',
  ),
)
const others = computed(() => {
  const { part, alert } = room
  if (!part || !alert || !draft.document) return 0
  return new Set(
    counterparts(draft.document, part)
      .map((each) => each.alertId)
      .filter((id) => id !== alert.id),
  ).size
})
/** The parts of the same kind that are selected together, and in what they differ. */
const alike = computed(() => room.selected.filter(({ kind }) => kind === room.part?.kind))
const mixed = computed(() => mixedFields(alike.value))
/** What the part's own inspector takes of what surrounds it. */
const surroundings = computed(() => {
  const around: PartSurroundings = {
    kinds: room.alert?.kinds ?? [],
    zones: draft.document?.zones ?? [],
    parts: room.parts,
  }
  const takes = room.part ? partKindLooks[room.part.kind].takes : []
  return Object.fromEntries(takes.map((name) => [name, around[name]]))
})
const host = ref<HTMLElement>()
/** Another panel is read from its top. */
watch(
  () => view.panel,
  () => void host.value?.scrollTo({ top: 0 }),
)
function stopMaking(): void {
  view.isMakingDials = false
  view.panel = 'dials'
}
function rename(name: string): void {
  if (room.address && room.part && name)
    draft.edit(editParts(room.address, [room.part.id], 'name', (part) => void (part.name = name)))
}
</script>

<template>
  <aside
    ref="host"
    class="on-paper relative min-h-0 overflow-y-auto border-l border-rule px-4 py-3"
    aria-label="Inspector"
  >
    <p
      v-if="view.isMakingDials && (view.panel === 'part' || view.panel === 'look')"
      class="sticky -top-3 z-30 -mx-4 -mt-3 mb-2 flex items-center justify-between gap-2 border-b border-rule bg-sheet px-4 py-2"
      role="status"
    >
      <span>Press the knob beside a property to make it a dial.</span
      ><button type="button" class="button shrink-0" @click="stopMaking">Done</button>
    </p>
    <p v-if="draft.refusal" role="alert" class="mb-2 text-brick">Not possible: {{ draft.refusal }}</p>
    <ZonesInspector
      v-if="view.panel === 'zones' && draft.document"
      :zones="draft.document.zones"
      :canvas="draft.document.canvas"
      :disabled="!canEdit"
    />
    <CasesInspector v-else-if="view.panel === 'cases' && room.alert" :disabled="!canEdit" />
    <LookInspector v-else-if="view.panel === 'look' && draft.document" :disabled="!canEdit" />
    <DialsInspector v-else-if="view.panel === 'dials' && draft.document" :disabled="!canEdit" />
    <div
      v-else-if="room.part && draft.document && room.alert"
      :key="`${room.variation?.id}/${room.part.id}`"
      class="space-y-2"
    >
      <div class="flex items-baseline justify-between gap-2">
        <h2 class="min-w-0 flex-1 font-display text-lg font-semibold">
          <TypedField
            v-if="canEdit"
            class="w-full truncate rounded-xs border-0 bg-transparent p-0 hover:bg-sheet focus:bg-sheet"
            :value="room.part.name"
            maxlength="80"
            aria-label="Name of the part"
            @change="rename"
          /><template v-else>{{ room.part.name }}</template>
        </h2>
        <span class="shrink-0 text-faded">{{
          room.selected.length > 1 ? `and ${room.selected.length - 1} more` : partKindLooks[room.part.kind].name
        }}</span>
      </div>
      <SelectionBar v-if="canEdit" />
      <p v-if="alike.length > 1" class="text-faded" role="status">
        A change here reaches all {{ alike.length }} of them.
        {{ mixed.length > 0 ? `Mixed now: ${mixed.join(', ')}.` : 'They are alike.' }}
      </p>
      <p v-if="canEdit && others > 0">
        <button type="button" class="link text-left text-deep-sky" @click="draft.edit(applyEverywhere(room.part))">
          Same style and motion for “{{ room.part.name }}” in {{ counted(others, 'other alert') }}
        </button>
      </p>
      <RemarkList v-if="own.length > 0" class="rounded-sm bg-sheet p-2" :remarks="own" :can-edit="canEdit" />
      <component
        :is="partKindLooks[room.part.kind].inspector"
        :part="room.part"
        :look="look"
        :disabled="!canEdit"
        v-bind="surroundings"
      />
      <MotionSection v-if="isVisiblePart(room.part)" :part="room.part" :look="look" :disabled="!canEdit" />
      <TimingSection v-if="!draft.document.stays" :part="room.part" :parts="room.parts" :disabled="!canEdit" />
      <KeyframeSection
        v-if="isVisiblePart(room.part) && !draft.document.stays"
        :part="room.part"
        :start-ms="startMs"
        :t-ms="tMs"
        :disabled="!canEdit"
        @seek="emit('seek', $event)"
      />
      <PlaceSection
        v-if="isVisiblePart(room.part)"
        :part="room.part"
        :disabled="!canEdit"
        :is-placed="hasOwnPlace(room.part)"
      />
    </div>
    <div v-else class="space-y-3 pt-1">
      <h2 class="font-display text-lg font-semibold">
        {{ remarks.length > 0 ? 'Worth a look' : 'Nothing to remark' }}
      </h2>
      <RemarkList v-if="remarks.length > 0" :remarks="remarks" :can-edit="canEdit" shows-part />
      <p v-if="canEdit && (room.composition?.silenced.length ?? 0) > 0">
        <button
          type="button"
          class="link text-deep-sky"
          @click="room.address && draft.edit(silenceRemark(room.address, null))"
        >
          Remark again on what was switched off
        </button>
      </p>
      <p class="text-faded">
        <template v-if="draft.document?.stays"
          >Choose a part on the stage to change what it shows, its look and its place. Space plays the state that is
          chosen below;</template
        ><template v-else
          >Choose a part on the stage or a lane of the score to change its words, file, timing and place. Space plays
          the alert from the start;</template
        >
        <span class="key">?</span> shows all keys.
      </p>
      <ul class="space-y-1">
        <li v-for="part in room.parts" :key="part.id">
          <button type="button" class="link text-deep-sky" @click="room.select(part.id)">{{ part.name }}</button>
        </li>
      </ul>
    </div>
  </aside>
</template>
