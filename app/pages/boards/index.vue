<script setup lang="ts">
import { NuxtLink } from '#components'
import { useHead } from '#imports'
import { Plus } from '@lucide/vue'
import { onMounted, ref } from 'vue'
import { wordsOf } from '../../api/request.ts'
import BoardCard from '../../components/boards/BoardCard.vue'
import NewBoardDialog from '../../components/boards/NewBoardDialog.vue'
import PutAwayList from '../../components/boxes/PutAwayList.vue'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'

useHead({ title: 'Boards · Thundercrest' })
const boxes = useBoxesStore()
const media = useMediaStore()
const session = useSessionStore()
const refusal = ref('')
const isMaking = ref(false)

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
        <h1 class="font-display text-3xl font-semibold">Boards</h1>
        <p class="mt-1 text-mist">
          What stays on screen beside alerts: a goal, what happened last, chat, a count, a clock. Each board is a
          browser source of its own.
        </p>
      </div>
      <button v-if="session.canEdit" type="button" class="button" @click="isMaking = true">
        <Plus :size="16" aria-hidden="true" />New board
      </button>
    </div>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <div v-else-if="boxes.boards?.length" class="grid grid-cols-1 items-start gap-6 md:grid-cols-2">
      <BoardCard v-for="board in boxes.boards" :key="board.id" :board="board" />
    </div>
    <section v-else-if="boxes.boards" class="max-w-xl rounded-sm border border-seam bg-ridge p-6">
      <h2 class="font-display text-xl font-semibold">No board yet</h2>
      <p class="mt-2 text-mist">
        A board begins with a goal bar, a list and chat along the edges of the picture, in a look of your choice. Put it
        on air, add its address to your scene, and it fills by itself.
        <NuxtLink class="link" to="/goals">The goal</NuxtLink> is yours to set.
      </p>
      <button v-if="session.canEdit" type="button" class="button button-bolt mt-4" @click="isMaking = true">
        Make the first board
      </button>
      <p v-else class="mt-4 text-mist">Ask an owner or an editor to make one.</p>
    </section>
    <p v-else class="text-mist">Loading…</p>
    <PutAwayList v-if="session.canEdit" are-boards />
    <NewBoardDialog v-model:open="isMaking" />
  </main>
</template>
