<script setup lang="ts">
import { useHead } from '#imports'
import { computed, onMounted, ref } from 'vue'
import LibraryBrowser from '../components/library/LibraryBrowser.vue'
import MediaDetails from '../components/library/MediaDetails.vue'
import { useBoxesStore } from '../stores/boxes.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Media · Thundercrest' })
const media = useMediaStore()
const boxes = useBoxesStore()
const session = useSessionStore()
const chosenId = ref<string | null>(null)
const chosen = computed(() => media.find(chosenId.value))
onMounted(() => void boxes.load().catch(() => {}))
</script>

<template>
  <main class="flex h-full min-h-0 flex-col px-8 py-5">
    <h1 class="font-display text-3xl font-semibold">Media</h1>
    <p class="mt-1 mb-4 text-mist">
      Everything that alerts show and sound. Files are measured at the door: their length, where their artwork is, how
      loud they are.
    </p>
    <div class="grid min-h-0 flex-1 grid-cols-1 gap-5 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <LibraryBrowser :chosen-id="chosenId" @choose="chosenId = $event.id" />
      <MediaDetails
        v-if="chosen"
        :key="chosen.id"
        :file="chosen"
        :can-edit="session.canEdit"
        @removed="chosenId = null"
      />
      <aside
        v-else
        class="on-paper hidden h-full place-items-center rounded-sm border border-rule p-6 text-center text-faded lg:grid"
      >
        <p>Choose a file to see what was measured of it, where it is used, and to name, replace or delete it.</p>
      </aside>
    </div>
  </main>
</template>
