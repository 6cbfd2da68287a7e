<script setup lang="ts">
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  BringToFront,
  Copy,
  Eye,
  EyeOff,
  Group,
  Lock,
  LockOpen,
  Paintbrush,
  SendToBack,
  Trash2,
  Ungroup,
  Waves,
} from '@lucide/vue'
import { computed, type Component } from 'vue'
import { vHint } from '../../hints/hint.ts'
import { useClipboardStore } from '../../stores/clipboard.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useClipboardActs } from './useClipboardActs.ts'
import { useSelectionActs } from './useSelectionActs.ts'

/** What can be done with the parts that are selected. */
const room = useScoreRoomStore()
const clipboard = useClipboardStore()
const acts = useSelectionActs()
const pasting = useClipboardActs()

const buttons = computed<{ name: string; icon: Component; act: () => void; isOff?: boolean }[]>(() => [
  { name: 'Bring to the front', icon: BringToFront, act: () => acts.order('front') },
  { name: 'Send to the back', icon: SendToBack, act: () => acts.order('back') },
  { name: 'Centre left to right', icon: AlignCenterVertical, act: () => acts.centre('x') },
  { name: 'Centre top to bottom', icon: AlignCenterHorizontal, act: () => acts.centre('y') },
  acts.isGrouped.value
    ? { name: 'Ungroup', icon: Ungroup, act: acts.ungroup }
    : { name: 'Group', icon: Group, act: acts.group, isOff: room.selected.length < 2 },
  acts.isLocked.value
    ? { name: 'Unlock', icon: LockOpen, act: acts.toggleLock }
    : { name: 'Lock', icon: Lock, act: acts.toggleLock },
  acts.isOff.value
    ? { name: 'Show on air', icon: Eye, act: acts.toggleHidden }
    : { name: 'Hide, on air too', icon: EyeOff, act: acts.toggleHidden },
  { name: 'Copy', icon: Copy, act: () => void pasting.copy() },
  { name: 'Paste the copied style', icon: Paintbrush, act: clipboard.pasteStyle, isOff: !clipboard.canPasteStyle },
  { name: 'Paste the copied motion', icon: Waves, act: clipboard.pasteMotion, isOff: !clipboard.canPasteMotion },
  {
    name: room.selected.length > 1 ? 'Remove these parts' : `Remove ${room.part?.name ?? ''}; can be undone`,
    icon: Trash2,
    act: acts.remove,
  },
])
</script>

<template>
  <div class="grid grid-cols-11" role="toolbar" aria-label="Selected parts">
    <button
      v-for="button in buttons"
      :key="button.name"
      v-hint="button.name"
      type="button"
      class="grid h-6 place-items-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
      :aria-label="button.name"
      :disabled="button.isOff ?? false"
      @click="button.act()"
    >
      <component :is="button.icon" :size="15" aria-hidden="true" />
    </button>
  </div>
</template>
