<script setup lang="ts">
import { CircleGauge } from '@lucide/vue'
import { computed, inject } from 'vue'
import { toast } from 'vue-sonner'
import { addDial, plainDesign } from '../../../core/pack/designEdits.ts'
import { dialFor, turningAt } from '../../../core/pack/dialFor.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useSessionStore } from '../../stores/session.ts'
import { dialScopeKey } from './dialScope.ts'

/** Beside a property while dials are being made: makes it a dial, or says that it is one. */
const props = defineProps<{ path: string; label: string }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const session = useSessionStore()
const scope = inject(
  dialScopeKey,
  computed(() => null),
)
const turning = computed(() =>
  draft.document && scope.value ? turningAt(draft.document, `${scope.value.prefix}.${props.path}`) : null,
)
const existing = computed(
  () =>
    draft.document?.design?.dials.find(({ bindings }) => bindings.some(({ path }) => path === turning.value?.path)) ??
    null,
)
const words = computed(() =>
  existing.value ? `${props.label} is turned by the dial “${existing.value.label}”` : `Make ${props.label} a dial`,
)

function make(): void {
  if (existing.value) {
    view.panel = 'dials'
    return
  }
  if (!draft.document || !scope.value || !draft.view) return
  const followsLook = turning.value?.path.startsWith('look.') && !scope.value.prefix.startsWith('look')
  const dial = dialFor(
    draft.document,
    `${scope.value.prefix}.${props.path}`,
    followsLook || scope.value.name === '' ? props.label : `${scope.value.name}: ${props.label.toLowerCase()}`,
  )
  if (!dial) return
  const { name } = draft.view
  draft.edit(addDial(plainDesign(name, session.session?.person.name ?? ''), dial))
  toast.success(
    followsLook
      ? `“${dial.label}” is a dial now. It turns the look, which this part follows.`
      : `“${dial.label}” is a dial now.`,
    { action: { label: 'Its settings', onClick: () => (view.panel = 'dials') } },
  )
}
</script>

<template>
  <button
    v-if="view.isMakingDials && turning"
    type="button"
    class="grid size-6 shrink-0 place-items-center rounded-full border"
    :class="existing ? 'border-ink bg-bolt' : 'border-rule bg-sheet hover:border-ink'"
    :title="words"
    :aria-label="words"
    @click="make"
  >
    <CircleGauge :size="14" aria-hidden="true" />
  </button>
</template>
