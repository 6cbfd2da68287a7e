<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus } from '@lucide/vue'
import { computed, nextTick, ref, watch } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { starterAlert } from '../../../core/composition/starter.ts'
import { addAlert } from '../../../core/edit/addAlert.ts'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import KindMark from '../frame/KindMark.vue'

defineProps<{ canEdit: boolean }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const strip = ref<HTMLElement>()
// Of more kinds than there is room for, the chosen one is in sight.
watch(
  () => [room.alert?.id, strip.value],
  async () => {
    await nextTick()
    strip.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  },
)
const alerts = computed(() => draft.document?.alerts ?? [])
const missing = computed(() => eventKinds.filter((kind) => !alerts.value.some((alert) => alert.kinds.includes(kind))))

function add(kind: EventKind): void {
  if (!draft.document) return
  const alert = starterAlert(kind, draft.document.canvas, { pictureId: null, soundId: null })
  draft.edit(addAlert(alert))
  room.alertId = alert.id
}
</script>

<template>
  <nav aria-label="Kinds of event" class="flex min-w-0 items-end gap-1">
    <div ref="strip" class="flex min-w-0 items-end gap-0.5 overflow-x-auto">
      <button
        v-for="alert in alerts"
        :key="alert.id"
        type="button"
        class="flex h-10 shrink-0 items-center gap-2 rounded-t-sm px-2.5 -outline-offset-2"
        :class="
          alert.id === room.alert?.id
            ? 'on-paper font-medium'
            : alert.isOn
              ? 'text-snow hover:bg-ridge'
              : 'text-mist hover:bg-ridge'
        "
        :aria-current="alert.id === room.alert?.id ? 'true' : undefined"
        @click="room.alertId = alert.id"
      >
        <KindMark :kind="mainKind(alert)" />{{ kindNames[mainKind(alert)]
        }}<span
          v-if="alert.kinds.length > 1"
          class="text-2xs opacity-80"
          :title="alert.kinds.map((kind) => kindNames[kind]).join(', ')"
          >+{{ alert.kinds.length - 1 }}</span
        >
        <span v-if="!alert.isOn" class="text-2xs opacity-80">off</span>
        <span v-else-if="alert.variations.length > 1" class="font-mono text-2xs opacity-80" aria-hidden="true">{{
          alert.variations.length
        }}</span>
      </button>
    </div>
    <Menu v-if="canEdit && draft.document && missing.length > 0" as="div" class="relative mb-1 shrink-0">
      <MenuButton
        class="flex items-center gap-1 rounded-sm px-2 py-1.5 text-mist hover:bg-ridge hover:text-snow"
        aria-label="Add an alert for another kind of event"
        ><Plus :size="16" aria-hidden="true"
      /></MenuButton>
      <MenuItems
        class="on-paper absolute left-0 z-40 mt-1 max-h-80 w-56 overflow-y-auto rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
      >
        <MenuItem v-for="kind in missing" :key="kind" v-slot="{ active }">
          <button
            type="button"
            class="flex w-full items-center gap-2 px-3 py-1 text-left"
            :class="active ? 'bg-rule/60' : ''"
            @click="add(kind)"
          >
            <KindMark :kind="kind" />{{ kindNames[kind] }}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  </nav>
</template>
