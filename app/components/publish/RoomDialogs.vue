<script setup lang="ts">
import { useDraftStore } from '../../stores/draft.ts'
import KeyMapDialog from '../frame/KeyMapDialog.vue'
import SourceDialog from '../source/SourceDialog.vue'
import ConflictDialog from './ConflictDialog.vue'
import PublishDialog from './PublishDialog.vue'

/** What opens over a stage, of boxes and of boards alike. */
defineProps<{ boxId: string }>()
const isPublishOpen = defineModel<boolean>('publish', { required: true })
const isSourceOpen = defineModel<boolean>('source', { required: true })
const areKeysShown = defineModel<boolean>('keys', { required: true })
const draft = useDraftStore()
</script>

<template>
  <PublishDialog v-model:open="isPublishOpen" />
  <ConflictDialog />
  <KeyMapDialog v-model:open="areKeysShown" />
  <SourceDialog v-if="draft.document" v-model:open="isSourceOpen" :box-id="boxId" :canvas="draft.document.canvas" />
</template>
