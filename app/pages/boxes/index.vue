<script setup lang="ts">
import { NuxtLink } from '#components'
import { useHead } from '#imports'
import { Plus } from '@lucide/vue'
import { onMounted, ref } from 'vue'
import { wordsOf } from '../../api/request.ts'
import BoxTile from '../../components/boxes/BoxTile.vue'
import FirstSets from '../../components/boxes/FirstSets.vue'
import NextSteps from '../../components/boxes/NextSteps.vue'
import PutAwayList from '../../components/boxes/PutAwayList.vue'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'

useHead({ title: 'Boxes · Thundercrest' })
const boxes = useBoxesStore()
const media = useMediaStore()
const session = useSessionStore()
const refusal = ref('')

onMounted(async () => {
  try {
    await Promise.all([media.ensureLoaded(), boxes.load()])
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <div class="mb-5 flex items-end justify-between gap-4">
      <div>
        <h1 class="font-display text-3xl font-semibold">Boxes</h1>
        <p class="mt-1 text-mist">
          Each box is what one browser source shows. Open one to compose its alerts, or look at a tile to see it move.
        </p>
      </div>
      <NuxtLink v-if="session.canEdit" to="/boxes/new" class="button"
        ><Plus :size="16" aria-hidden="true" />New box</NuxtLink
      >
    </div>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <div
      v-else-if="boxes.boxes?.length"
      class="grid grid-cols-1 items-start gap-6 md:grid-cols-[repeat(auto-fit,minmax(22rem,1fr))] md:*:max-w-176"
    >
      <BoxTile v-for="box in boxes.boxes" :key="box.id" :box="box" />
      <NextSteps :boxes="boxes.boxes" :has-shown="boxes.hasShown" />
    </div>
    <div
      v-else-if="boxes.boxes && session.canEdit"
      class="grid grid-cols-1 items-start gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]"
    >
      <FirstSets />
      <NextSteps :boxes="[]" :has-shown="false" />
    </div>
    <p v-else-if="boxes.boxes" class="text-mist">No box yet. Ask an owner or an editor to make the first one.</p>
    <p v-else class="text-mist">Loading…</p>
    <PutAwayList v-if="session.canEdit" />
  </main>
</template>
