<script setup lang="ts">
import { PackageOpen } from '@lucide/vue'
import { onMounted, ref } from 'vue'
import { letGoOfPack } from '../../../core/pack/takePack.ts'
import { useTakenPacks } from '../../composables/useTakenPacks.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { usePacksStore } from '../../stores/packs.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import TakePackDialog from '../packs/TakePackDialog.vue'
import DesignSection from './DesignSection.vue'
import TakenSection from './TakenSection.vue'

/** The packs of this box with their dials, beside the live stage; and the box's own, for whoever hands it out. */
defineProps<{ disabled: boolean }>()
const view = useRoomViewStore()
const packs = usePacksStore()
const draft = useDraftStore()
const { taken } = useTakenPacks()
const isTakeOpen = ref(false)
onMounted(() => packs.load().catch(() => {}))
</script>

<template>
  <div class="space-y-4">
    <div class="flex items-baseline justify-between">
      <h2 class="font-display text-lg font-semibold">Packs and dials</h2>
      <button type="button" class="link text-deep-sky" @click="view.panel = 'part'">Done</button>
    </div>
    <template v-for="{ entry, pack } in taken" :key="entry.id">
      <TakenSection v-if="pack" :taken="{ entry, pack }" :disabled="disabled" />
      <p v-else-if="packs.missing.includes(entry.shelfId)" class="text-faded">
        The design of {{ entry.name }} is not on the shelf any more: its dials cannot be turned. Its alerts stay as they
        are.<button
          v-if="!disabled"
          type="button"
          class="link ml-1 text-deep-sky"
          @click="draft.edit(letGoOfPack(entry.id))"
        >
          Let go of its dials
        </button>
      </p>
      <p v-else class="text-faded">Opening {{ entry.name }}…</p>
    </template>
    <div v-if="!disabled" :class="taken.length > 0 ? 'border-t border-rule pt-3' : ''">
      <p v-if="taken.length === 0" class="mb-2 text-faded">
        A pack brings alerts that somebody designed, with a few dials to make them yours. Take one beside what is here,
        or for single kinds only.
      </p>
      <button type="button" class="button" @click="isTakeOpen = true">
        <PackageOpen :size="15" aria-hidden="true" />{{ taken.length > 0 ? 'Take another pack…' : 'Take a pack…' }}
      </button>
    </div>
    <div class="border-t border-rule pt-3"><DesignSection :disabled="disabled" /></div>
    <TakePackDialog v-model:open="isTakeOpen" />
  </div>
</template>
