<script setup lang="ts">
import { navigateTo } from '#imports'
import { computed } from 'vue'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useLiveStore } from '../../stores/live.ts'

/** Which box a page is about, where there are several: the address says it. */
const props = defineProps<{
  boxId: string | null
  path: string
  saysPlaying?: boolean
  withBoards?: boolean
  withAll?: boolean
}>()
const boxes = useBoxesStore()
const live = useLiveStore()
const all = computed(() => [...(boxes.boxes ?? []), ...((props.withBoards && boxes.boards) || [])])
</script>

<template>
  <div
    v-if="all.length > 1"
    class="flex items-center gap-1 border-b border-seam px-4 py-1.5"
    role="group"
    aria-label="Box"
  >
    <button
      v-for="each in all"
      :key="each.id"
      type="button"
      class="rounded-sm px-2.5 py-1"
      :class="each.id === boxId ? 'bg-ridge font-medium' : 'text-mist hover:text-snow'"
      :aria-pressed="each.id === boxId"
      @click="navigateTo(`${path}?box=${each.id}`)"
    >
      {{ each.name
      }}<span
        v-if="saysPlaying && live.deskOf(each.id)?.current"
        class="ml-2 inline-block size-2 rounded-full bg-bolt"
        title="playing"
      />
    </button>
    <button
      v-if="withAll"
      type="button"
      class="rounded-sm px-2.5 py-1"
      :class="boxId === 'all' ? 'bg-ridge font-medium' : 'text-mist hover:text-snow'"
      :aria-pressed="boxId === 'all'"
      @click="navigateTo(`${path}?box=all`)"
    >
      All boxes together
    </button>
  </div>
</template>
