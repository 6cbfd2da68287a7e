<script setup lang="ts">
import { computed } from 'vue'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import DifferenceList from './DifferenceList.vue'

/**
 * Two editors changed one box: what the other did, what is here, and the ways on. Nothing is overwritten before a
 * choice is made.
 */
const draft = useDraftStore()
const isOpen = computed({ get: () => draft.conflict !== null, set: () => undefined })
</script>

<template>
  <PaperDialog v-if="draft.conflict" v-model:open="isOpen" title="Somebody else changed this box too" is-wide>
    <p class="mb-3 text-faded">Your edits are kept here and not saved yet. Whatever you choose can be undone.</p>
    <h3 class="caps mb-1 text-faded">They changed</h3>
    <DifferenceList :differences="draft.conflict.theirChanges" empty="Nothing that shows." />
    <h3 class="caps mt-4 mb-1 text-faded">You changed</h3>
    <DifferenceList :differences="draft.conflict.myChanges" empty="Nothing that shows." />
    <p v-if="draft.conflict.clashes > 0" class="mt-3 text-brick">
      {{ counted(draft.conflict.clashes, 'value') }} you both changed: keeping both takes yours there.
    </p>
    <template #actions>
      <button type="button" class="button" @click="draft.settle('theirs')">Take theirs, drop mine</button>
      <button type="button" class="button button-bolt" :disabled="!draft.conflict.merged" @click="draft.settle('both')">
        Keep both
      </button>
    </template>
  </PaperDialog>
</template>
