<script setup lang="ts">
import { computed } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { Dial, DialValue } from '../../../core/pack/dial.ts'
import { placeWords } from '../../../core/pack/placeWords.ts'
import type { Standing } from '../../../core/pack/standing.ts'
import { giveBack, ownPlaces, turnTaken } from '../../../core/pack/turnTaken.ts'
import { valueOf } from '../../../core/pack/turnDials.ts'
import type { TakenDesign } from '../../composables/useTakenPacks.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import DialField from './DialField.vue'

/** One dial of a pack beside the stage: for all of the pack, or for the alert that is open. */
const props = defineProps<{
  taken: TakenDesign
  standing: Standing
  dial: Dial
  isForAlert: boolean
  disabled: boolean
}>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const alertId = computed(() => (props.isForAlert ? (room.alert?.id ?? null) : null))
const exception = computed(() =>
  alertId.value === null ? undefined : props.taken.entry.exceptions[alertId.value]?.[props.dial.id],
)
const general = computed(() => valueOf(props.dial, props.taken.entry.values))
const value = computed<DialValue>(() => exception.value ?? general.value)
const isTurned = computed(() =>
  props.isForAlert ? exception.value !== undefined : general.value !== props.dial.initial,
)
/** Alerts in which this dial stands otherwise. */
const elsewhere = computed(() =>
  Object.entries(props.taken.entry.exceptions).flatMap(([id, values]) => {
    const alert = draft.document?.alerts.find((each) => each.id === id)
    return alert && props.dial.id in values ? [kindNames[mainKind(alert)]] : []
  }),
)
const own = computed(() =>
  draft.document
    ? ownPlaces(props.taken.pack, draft.document, props.taken.entry.id, props.dial.id, props.standing)
    : [],
)
/** Its field stands beside its name. */
const isSmall = computed(() => props.dial.kind === 'colour' || props.dial.kind === 'switch')
const turn = (to: DialValue | null) =>
  draft.edit(turnTaken(props.taken.pack, props.taken.entry.id, props.dial.id, to, alertId.value))
</script>

<template>
  <div>
    <div class="flex items-center gap-2">
      <span class="min-w-0 flex-1 leading-tight" :class="isTurned ? 'font-semibold' : ''">{{ dial.label }}</span>
      <button
        v-if="isTurned && !disabled"
        type="button"
        class="link shrink-0 text-2xs text-deep-sky"
        :aria-label="`${dial.label}: ${isForAlert ? 'as the whole pack' : 'as designed'}`"
        @click="turn(null)"
      >
        {{ isForAlert ? 'as the whole pack' : 'as designed' }}
      </button>
      <DialField v-if="isSmall" class="shrink-0" :dial="dial" :value="value" :disabled="disabled" @change="turn" />
    </div>
    <p v-if="dial.about" class="text-2xs text-faded">{{ dial.about }}</p>
    <div v-if="!isSmall" class="mt-0.5">
      <DialField :dial="dial" :value="value" :disabled="disabled" @change="turn" />
    </div>
    <p v-if="!isForAlert && elsewhere.length > 0" class="text-2xs text-faded">
      Otherwise for {{ elsewhere.join(', ') }}.
    </p>
    <p v-if="own.length > 0" class="text-2xs text-faded">
      <span :title="own.map((path) => placeWords(draft.document?.alerts ?? [], path.split('.'))).join('\n')"
        >{{ counted(own.length, 'value') }} that you set by hand {{ own.length === 1 ? 'stays' : 'stay' }}.</span
      >
      <button
        v-if="!disabled"
        type="button"
        class="link ml-1 text-deep-sky"
        :aria-label="`Give what ${dial.label} turns back to the dial`"
        @click="draft.edit(giveBack(taken.pack, taken.entry.id, dial.id))"
      >
        Back to the dial
      </button>
    </p>
  </div>
</template>
