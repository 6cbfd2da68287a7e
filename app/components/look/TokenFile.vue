<script setup lang="ts">
import { Download, Upload } from '@lucide/vue'
import { useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import { replaceLook } from '../../../core/edit/changeLook.ts'
import { readDesignTokens, toDesignTokens } from '../../../core/look/designTokens.ts'
import type { Look } from '../../../core/look/schema.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import InspectorSection from '../inspector/InspectorSection.vue'

/** A look as a design token file, for other tools and other boxes, and back. */
const props = defineProps<{ look: Look; disabled: boolean }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const said = ref('')
const refusal = ref('')
const { open, onChange } = useFileDialog({ accept: '.json,.tokens,application/json', multiple: false, reset: true })
const largestBytes = 1024 * 1024

function save(): void {
  const url = URL.createObjectURL(
    new Blob([JSON.stringify(toDesignTokens(props.look), null, 2)], { type: 'application/design-tokens+json' }),
  )
  const link = Object.assign(document.createElement('a'), {
    href: url,
    download: `${props.look.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.tokens.json`,
  })
  link.click()
  URL.revokeObjectURL(url)
}
onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  said.value = ''
  refusal.value = ''
  if (file.size > largestBytes) return void (refusal.value = 'The file is larger than 1 MiB: that is no look.')
  let read: unknown
  try {
    read = JSON.parse(await file.text())
  } catch {
    return void (refusal.value = 'The file is not JSON.')
  }
  const tokens = readDesignTokens(read, props.look)
  if (!tokens.ok) return void (refusal.value = tokens.error)
  draft.edit(replaceLook(view.seasonId, tokens.value.look))
  said.value = `${counted(tokens.value.taken, 'token')} taken over${tokens.value.ignored.length > 0 ? `; left aside: ${tokens.value.ignored.slice(0, 4).join(', ')}${tokens.value.ignored.length > 4 ? ' …' : ''}` : ''}.`
})
</script>

<template>
  <InspectorSection title="File" is-folded note="design tokens">
    <p class="text-faded">As a design token file (W3C community group), which other tools read too.</p>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="button" @click="save">
        <Download :size="14" aria-hidden="true" />Save as a file
      </button>
      <button v-if="!disabled" type="button" class="button" @click="open()">
        <Upload :size="14" aria-hidden="true" />Take from a file
      </button>
    </div>
    <p role="status" class="text-moss">{{ said }}</p>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
  </InspectorSection>
</template>
