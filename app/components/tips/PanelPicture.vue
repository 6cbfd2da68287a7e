<script setup lang="ts">
import { Copy, Download, ExternalLink } from '@lucide/vue'
import { useClipboard } from '@vueuse/core'
import { ref, watchEffect } from 'vue'
import { toast } from 'vue-sonner'
import { lanternLook } from '../../../core/look/lanternLook.ts'
import type { Look } from '../../../core/look/schema.ts'
import { drawPanel } from './panelPicture.ts'

/** The address of the page, and a picture with its code for pages elsewhere. */
const props = defineProps<{ title: string; address: string; command: string; look: Look | null }>()
const canvas = ref<HTMLCanvasElement>()
const { copy, isSupported } = useClipboard()

watchEffect(() => {
  const { title, address, look } = props
  if (canvas.value) void drawPanel(canvas.value, { title, address, look: look ?? lanternLook })
})
async function copyAddress(): Promise<void> {
  await copy(props.address)
  toast.success('The address is copied.')
}
function save(): void {
  canvas.value?.toBlob((picture) => {
    if (!picture) return
    const link = document.createElement('a')
    link.href = URL.createObjectURL(picture)
    link.download = 'tip-page.png'
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
  }, 'image/png')
}
</script>

<template>
  <section class="grid grid-cols-[7.5rem_minmax(0,1fr)] gap-4" aria-label="Where it is found">
    <canvas
      ref="canvas"
      class="w-full self-start rounded-sm outline-1 outline-seam"
      role="img"
      :aria-label="`Panel picture: ${title}, with a code that leads to the page`"
    />
    <div class="min-w-0 space-y-2">
      <p class="font-mono text-xs break-all">{{ address }}</p>
      <p class="text-mist">
        The picture carries a code that leads here; put it where your viewers find your channel.
        <template v-if="command"
          >In chat, <b class="font-mono text-xs text-snow">{{ command }}</b> answers with the address.</template
        >
      </p>
      <div class="flex flex-wrap gap-2">
        <a class="button" :href="address" target="_blank" rel="noopener"
          ><ExternalLink :size="14" aria-hidden="true" />Look at it</a
        >
        <button v-if="isSupported" type="button" class="button" @click="copyAddress">
          <Copy :size="14" aria-hidden="true" />Copy
        </button>
        <button type="button" class="button" @click="save">
          <Download :size="14" aria-hidden="true" />Save the picture
        </button>
      </div>
    </div>
  </section>
</template>
