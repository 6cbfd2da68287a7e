<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import type { Zone } from '../../../core/composition/zone.ts'
import { addZone, changeZone } from '../../../core/edit/zoneEdits.ts'
import { useDraftStore } from '../../stores/draft.ts'

/** The canvas's zones: quiet frames while composing; while zones are edited they are drawn, moved and pulled here. */
const props = defineProps<{ zones: readonly Zone[]; scale: number; isEditing: boolean }>()
const draft = useDraftStore()
const layer = ref<HTMLElement>()
type Doing = { zone: Zone | null; isResize: boolean; fromX: number; fromY: number; added: boolean }
let doing: Doing | null = null
const leastPx = 24

function begin(event: PointerEvent, zone: Zone | null, isResize = false): void {
  if (!props.isEditing) return
  event.stopPropagation()
  layer.value?.setPointerCapture(event.pointerId)
  doing = { zone: zone && { ...zone }, isResize, fromX: event.clientX, fromY: event.clientY, added: false }
}
useEventListener(layer, 'pointermove', (event: PointerEvent) => {
  if (!doing) return
  const dx = (event.clientX - doing.fromX) / props.scale
  const dy = (event.clientY - doing.fromY) / props.scale
  if (doing.zone) {
    const { zone } = doing
    const isDrawing = doing.isResize || doing.added
    draft.edit(
      changeZone(
        zone.id,
        isDrawing
          ? {
              widthPx: Math.max(leastPx, Math.round(zone.widthPx + dx)),
              heightPx: Math.max(leastPx, Math.round(zone.heightPx + dy)),
            }
          : { xPx: Math.round(zone.xPx + dx), yPx: Math.round(zone.yPx + dy) },
      ),
    )
  } else if (Math.abs(dx) * props.scale > 6 && Math.abs(dy) * props.scale > 6) {
    const rect = layer.value?.getBoundingClientRect()
    const added: Zone = {
      id: 'zone',
      name: 'Camera',
      purpose: 'camera',
      xPx: Math.round((doing.fromX - (rect?.left ?? 0)) / props.scale),
      yPx: Math.round((doing.fromY - (rect?.top ?? 0)) / props.scale),
      widthPx: leastPx,
      heightPx: leastPx,
    }
    if (!draft.edit(addZone(added))) return
    const made = draft.document?.zones.at(-1)
    if (made) doing = { ...doing, zone: { ...made, widthPx: 0, heightPx: 0 }, added: true }
  }
})
useEventListener(layer, ['pointerup', 'pointercancel'], () => (doing = null))
</script>

<template>
  <div
    ref="layer"
    class="absolute inset-0"
    :class="isEditing ? 'z-10 cursor-crosshair touch-none' : 'pointer-events-none'"
    @pointerdown="begin($event, null)"
  >
    <div
      v-for="zone in zones"
      :key="zone.id"
      class="absolute border border-dashed"
      :class="isEditing ? 'cursor-move border-sky bg-sky/15' : 'border-mist/50'"
      :style="{
        left: `${zone.xPx * scale}px`,
        top: `${zone.yPx * scale}px`,
        width: `${zone.widthPx * scale}px`,
        height: `${zone.heightPx * scale}px`,
      }"
      @pointerdown="begin($event, zone)"
    >
      <span class="absolute top-0 left-0 rounded-br-sm bg-deep/80 px-1 text-2xs text-mist">{{ zone.name }}</span>
      <span
        v-if="isEditing"
        class="absolute -right-1.5 -bottom-1.5 size-3 cursor-nwse-resize rounded-[2px] border border-sky bg-white"
        @pointerdown="begin($event, zone, true)"
      />
    </div>
  </div>
</template>
