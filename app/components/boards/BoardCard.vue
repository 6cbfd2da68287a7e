<script setup lang="ts">
import { NuxtLink } from '#components'
import { computed, ref } from 'vue'
import type { BoxSummary } from '../../../contract/views.ts'
import { sceneOf } from '../../../core/board/resolveBoard.ts'
import { partKindLooks } from '../../kinds/partKinds.ts'
import { counted } from '../../format/counted.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'
import BoxMenu from '../boxes/BoxMenu.vue'
import BoxName from '../boxes/BoxName.vue'
import BoardTile from './BoardTile.vue'

/** A board among the others: a change is played while it is looked at. */
const props = defineProps<{ board: BoxSummary }>()
const live = useLiveStore()
const session = useSessionStore()
const isLookedAt = ref(false)
const isRenaming = ref(false)
const sources = computed(() => live.sourcesOf(props.board.id).length)
const holds = computed(() => {
  const parts = sceneOf(props.board.document)?.parts ?? []
  return [...new Set(parts.map(({ kind }) => partKindLooks[kind].name))].join(', ') || 'nothing on it yet'
})
const airState = computed(() => {
  const { onAir, differsFromAir } = props.board
  if (!onAir) return 'never on air'
  return differsFromAir ? 'draft differs' : 'same as air'
})
</script>

<template>
  <article
    class="flex flex-col rounded-sm border border-seam bg-ridge"
    :aria-label="board.name"
    @mouseenter="isLookedAt = true"
    @mouseleave="isLookedAt = false"
    @focusin="isLookedAt = true"
    @focusout="isLookedAt = false"
  >
    <NuxtLink :to="`/boards/${board.id}`" class="block rounded-t-sm" :aria-label="`Open ${board.name}`">
      <div class="h-[min(38vh,20rem)] rounded-t-sm bg-night p-3">
        <BoardTile :document="board.document" :state="isLookedAt ? 'arrives' : 'usual'" :is-moving="isLookedAt" />
      </div>
    </NuxtLink>
    <div class="flex items-start gap-3 p-4">
      <div class="min-w-0 flex-1">
        <BoxName v-model:renaming="isRenaming" :box="board" />
        <p class="text-mist">{{ board.document.canvas.widthPx }} × {{ board.document.canvas.heightPx }}: {{ holds }}</p>
      </div>
      <div class="shrink-0 text-right">
        <p :class="board.onAir && !board.differsFromAir ? 'text-fine' : 'text-glow'">{{ airState }}</p>
        <p class="text-mist">{{ counted(sources, 'source') }}</p>
        <BoxMenu v-if="session.canEdit" class="mt-0.5 flex justify-end" :box="board" @rename="isRenaming = true" />
      </div>
    </div>
  </article>
</template>
