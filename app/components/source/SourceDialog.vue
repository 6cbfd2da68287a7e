<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { request, wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'
import IntoStudio from './IntoStudio.vue'
import PaperDialog from '../frame/PaperDialog.vue'

const props = defineProps<{ boxId: string; canvas: Canvas }>()
const isOpen = defineModel<boolean>('open', { required: true })
const session = useSessionStore()
const live = useLiveStore()
const { copy, copied } = useClipboard({ legacy: true })
const address = ref('')
const isShown = ref(false)
const isReplacing = ref(false)
const refusal = ref('')
const isLinked = computed(() => live.live?.calls.studio.isLinked ?? false)
const sources = computed(() => live.sourcesOf(props.boxId))
const masked = computed(() =>
  isShown.value ? address.value : address.value.replace(/(?:src|brd)\w+$/, '•'.repeat(24)),
)

// Forgotten when the dialog closes: the address is a secret, and the screen may be on a stream.
// Opened before the box was loaded, it is there only once it is open.
watch(
  isOpen,
  async (open) => {
    isShown.value = false
    isReplacing.value = false
    refusal.value = ''
    address.value = ''
    if (open) await ask('GET')
  },
  { immediate: true },
)

async function ask(method: 'GET' | 'POST'): Promise<void> {
  try {
    address.value = (await request<{ url: string }>(method, `/api/boxes/${props.boxId}/address`)).url
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
async function replace(): Promise<void> {
  const cutOff = sources.value.length
  await ask('POST')
  isReplacing.value = false
  if (!refusal.value)
    toast.success(
      `The old address no longer works.${cutOff > 0 ? ` ${counted(cutOff, 'connected source')} ${cutOff === 1 ? 'was' : 'were'} cut off: enter the new one there.` : ''}`,
    )
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Source address">
    <div class="space-y-4">
      <IntoStudio :box-id="boxId" :canvas="canvas" />
      <p>
        <template v-if="isLinked">Or by hand: </template>Add a <b>browser source</b> in your broadcast program and enter
        this address. Whoever has it sees what you show, so keep it off your stream.
      </p>
      <div v-if="address" class="flex items-center gap-2">
        <output class="field flex-1 truncate font-mono text-xs leading-6" aria-label="Source address">{{
          masked
        }}</output>
        <button type="button" class="button" @click="isShown = !isShown">{{ isShown ? 'Hide' : 'Show' }}</button>
        <button type="button" class="button button-bolt" @click="copy(address)">
          {{ copied ? 'Copied' : 'Copy' }}
        </button>
      </div>
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
      <dl class="grid grid-cols-3 divide-x divide-rule border-y border-rule py-3 text-center">
        <div>
          <dt class="caps text-faded">Width</dt>
          <dd class="font-display text-xl">{{ canvas.widthPx }}</dd>
        </div>
        <div>
          <dt class="caps text-faded">Height</dt>
          <dd class="font-display text-xl">{{ canvas.heightPx }}</dd>
        </div>
        <div>
          <dt class="caps text-faded">Frame rate</dt>
          <dd class="font-display text-xl">{{ canvas.framesPerSecond }}</dd>
        </div>
      </dl>
      <p class="text-faded">
        Set exactly these in the broadcast program, and let it control the page’s sound if you want it in your mix. The
        page reconnects by itself; it never needs a refresh. A second source of this box, in another scene, is silent
        with
        <b class="font-mono text-xs">?quiet</b> at the end of its address, so that nothing sounds double.
      </p>
      <p :class="sources.length > 0 ? 'text-moss' : 'text-faded'">
        {{
          sources.length > 0
            ? `${counted(sources.length, 'source')} ${sources.length === 1 ? 'is' : 'are'} connected now.`
            : 'No source is connected yet.'
        }}
      </p>
      <div v-if="session.isOwner" class="border-t border-rule pt-3">
        <button v-if="!isReplacing" type="button" class="link text-brick" @click="isReplacing = true">
          It was seen by somebody? Replace it…
        </button>
        <div v-else class="space-y-2">
          <p>
            The old address stops at once{{
              sources.length > 0
                ? `, and ${counted(sources.length, 'connected source')} ${sources.length === 1 ? 'goes' : 'go'} dark until you enter the new one`
                : ''
            }}. This cannot be undone.
          </p>
          <button type="button" class="button border-brick text-brick" @click="replace">Replace the address now</button>
        </div>
      </div>
    </div>
  </PaperDialog>
</template>
