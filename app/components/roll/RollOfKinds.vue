<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus } from '@lucide/vue'
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { starterAlert } from '../../../core/composition/starter.ts'
import { addAlert } from '../../../core/edit/addAlert.ts'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { vHint } from '../../hints/hint.ts'
import { byFamily } from '../../kinds/kindFamilies.ts'
import KindMark from '../frame/KindMark.vue'
import RollMark from './RollMark.vue'

defineProps<{ canEdit: boolean }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const strip = ref<HTMLElement>()
const named = ref<HTMLElement>()
const alerts = computed(() => draft.document?.alerts ?? [])
const missing = computed(() => eventKinds.filter((kind) => !alerts.value.some((alert) => alert.kinds.includes(kind))))

const families = computed(() => byFamily(alerts.value, mainKind))

/** Two rows of names where they fit, else marks by family, of which the chosen one has its name. */
const fits = ref(true)
async function measure(): Promise<void> {
  fits.value = true
  await nextTick()
  const strip = named.value
  if (strip) fits.value = strip.scrollHeight <= strip.clientHeight + 1 && strip.scrollWidth <= strip.clientWidth + 1
}
const { width } = useElementSize(strip)
watch(
  [width, () => alerts.value.map(({ id, isOn, variations }) => `${id}${isOn}${variations.length}`).join()],
  measure,
  {
    flush: 'post',
    immediate: true,
  },
)

/** Arrow keys go along the roll; what has the focus is chosen by Enter, as buttons are. */
function go(event: KeyboardEvent): void {
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (!step) return
  event.preventDefault()
  const marks = [...(strip.value?.querySelectorAll<HTMLElement>('[data-roll]') ?? [])]
  const at = marks.indexOf(document.activeElement as HTMLElement)
  marks[(at + step + marks.length) % marks.length]?.focus()
}

function add(kind: EventKind): void {
  if (!draft.document) return
  const alert = starterAlert(kind, draft.document.canvas, { pictureId: null, soundId: null })
  draft.edit(addAlert(alert))
  room.alertId = alert.id
}
</script>

<template>
  <nav aria-label="Kinds of event" class="flex min-w-0 flex-1 items-center gap-1">
    <div ref="strip" class="min-w-0 flex-1" @keydown="go">
      <div v-if="fits" ref="named" class="flex max-h-[3.75rem] flex-wrap content-center items-center gap-x-1 gap-y-0.5">
        <RollMark
          v-for="alert in alerts"
          :key="alert.id"
          :alert="alert"
          :is-chosen="alert.id === room.alert?.id"
          is-named
          @choose="room.alertId = alert.id"
        />
      </div>
      <div v-else class="flex items-end gap-3">
        <div v-for="group in families" :key="group.family" class="min-w-0">
          <p class="mb-0.5 truncate px-0.5 text-2xs text-mist">{{ group.family }}</p>
          <div class="flex gap-px">
            <RollMark
              v-for="alert in group.of"
              :key="alert.id"
              :alert="alert"
              :is-chosen="alert.id === room.alert?.id"
              :is-named="false"
              @choose="room.alertId = alert.id"
            />
          </div>
        </div>
      </div>
    </div>
    <Menu v-if="canEdit && draft.document && missing.length > 0" as="div" class="relative shrink-0">
      <MenuButton
        v-hint="'Add an alert for another kind of event'"
        class="flex items-center gap-1 rounded-sm px-2 py-1.5 text-mist hover:bg-ridge hover:text-snow"
        aria-label="Add an alert for another kind of event"
        ><Plus :size="16" aria-hidden="true"
      /></MenuButton>
      <MenuItems
        class="on-paper absolute right-0 z-40 mt-1 max-h-80 w-56 overflow-y-auto rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
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
