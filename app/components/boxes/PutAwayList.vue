<script setup lang="ts">
import { computed } from 'vue'
import { span } from '../../format/time.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useBoxActs } from './useBoxActs.ts'

/** Boxes, or boards, that are put away: what they are and what they played stays. */
const props = defineProps<{ areBoards?: boolean }>()
const store = useBoxesStore()
const listed = computed(() => store.putAway.filter(({ isBoard }) => isBoard === props.areBoards))
const acts = useBoxActs()
</script>

<template>
  <section v-if="listed.length > 0" class="mt-8" aria-label="Put away">
    <h2 class="caps text-mist">Put away</h2>
    <ul class="mt-2 divide-y divide-seam border-y border-seam">
      <li v-for="box in listed" :key="box.id" class="flex items-center justify-between gap-4 py-2">
        <span class="min-w-0 truncate"
          >{{ box.name }} <span class="text-mist">{{ span(Date.now() - box.sinceMs) }} ago</span></span
        >
        <button type="button" class="button" @click="acts.bringBack(box)">Bring back</button>
      </li>
    </ul>
  </section>
</template>
