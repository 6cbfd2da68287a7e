<script setup lang="ts">
import { computed } from 'vue'
import type { Alert } from '../../../core/composition/box.ts'
import { freeKinds, setAlertKinds } from '../../../core/edit/alertEdits.ts'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { useDraftStore } from '../../stores/draft.ts'
import KindsField from '../inspector/KindsField.vue'

/** Which kinds of event an alert is for. Several share its cases. */
const props = defineProps<{ alert: Alert; disabled: boolean }>()
const draft = useDraftStore()
const offered = computed<EventKind[]>(() => [
  ...props.alert.kinds,
  ...(draft.document ? freeKinds(draft.document, eventKinds) : []),
])
</script>

<template>
  <KindsField
    label="What it listens to"
    without="Not for"
    more="Listen to another kind too"
    :chosen="alert.kinds"
    :offered="offered"
    :disabled="disabled"
    @change="(kinds) => draft.edit(setAlertKinds(alert.id, kinds))"
    ><span class="text-faded">For</span></KindsField
  >
</template>
