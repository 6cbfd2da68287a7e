<script setup lang="ts">
import { useClipboard, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { LinkingBegun, LinkingView } from '../../../contract/linking.ts'
import { platformIds, platforms, type Platform } from '../../../core/events/platforms.ts'
import { request, wordsOf } from '../../api/request.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** Links an account: its owner consents on the platform's own page, or posts a code in its chat. */
const isOpen = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ linked: [] }>()
const { copy, copied } = useClipboard({ legacy: true, copiedDuring: 1500 })
const platform = ref<Platform>('alder')
const begun = ref<Extract<LinkingBegun, { way: 'code' }> | null>(null)
const state = ref<LinkingView['state']>('waiting')
const refusal = ref('')
const words = computed(
  () =>
    ({
      waiting: 'Waiting for the code in the chat…',
      linked: `${platforms[platform.value].name} is linked.`,
      expired: 'The code is too old. Ask for another one.',
    })[state.value],
)

async function begin(way: 'consent' | 'code'): Promise<void> {
  refusal.value = ''
  try {
    const answer = await request<LinkingBegun>('POST', '/api/feeds/links', { platform: platform.value, way })
    if (answer.way === 'consent') location.assign(answer.url)
    else {
      state.value = 'waiting'
      begun.value = answer
    }
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
useIntervalFn(async () => {
  if (!isOpen.value || !begun.value || state.value !== 'waiting') return
  const answer = await request<LinkingView>('GET', `/api/feeds/links/${begun.value.id}`).catch(() => null)
  if (!answer) return
  state.value = answer.state
  if (answer.state === 'linked') emit('linked')
}, 1000)
watch([isOpen, platform], () => (begun.value = null))

/** Only simulated platforms are there for now; on a server of one's own they are off until its owner turns them on. */
const areOff = ref(false)
watch(isOpen, async (open) => {
  if (!open) return
  areOff.value = await request<{ isOn: boolean }>('GET', '/api/stand-ins').then(
    ({ isOn }) => !isOn,
    () => false,
  )
})
async function switchOn(): Promise<void> {
  try {
    areOff.value = !(await request<{ isOn: boolean }>('PUT', '/api/stand-ins', { isOn: true })).isOn
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Link a platform">
    <fieldset>
      <legend class="mb-2 text-faded">Where does the channel broadcast, or take tips?</legend>
      <div class="grid grid-cols-2 gap-2">
        <label
          v-for="each in platformIds"
          :key="each"
          class="flex cursor-pointer items-start gap-2 rounded-sm border p-3 has-focus-visible:outline-2 has-focus-visible:outline-deep-sky"
          :class="each === platform ? 'border-ink bg-sheet' : 'border-rule'"
        >
          <input v-model="platform" type="radio" name="platform" class="mt-1 accent-deep-sky" :value="each" />
          <span
            ><b class="font-display text-lg leading-tight font-semibold">{{ platforms[each].name }}</b
            ><span class="ml-2 rounded-full border border-dashed border-faded px-1.5 text-2xs text-faded"
              >simulated</span
            ><br /><span class="text-faded">{{ platforms[each].brings }}</span></span
          >
        </label>
      </div>
    </fieldset>
    <div v-if="areOff" class="mt-4 flex items-center gap-4 border-y border-rule py-3" role="status">
      <p class="min-w-0">
        These platforms are <b>simulated</b>: they stand in for real ones, to try everything with. They are switched off
        on this server.
      </p>
      <button type="button" class="button shrink-0" @click="switchOn">Switch them on</button>
    </div>
    <div class="mt-5 grid gap-x-6 gap-y-3 sm:grid-cols-2">
      <section>
        <h3 class="font-semibold">With your consent</h3>
        <p class="mt-1 mb-3 text-faded">
          {{ platforms[platform].name }} asks you on its own page. Your password stays there.
        </p>
        <button type="button" class="button button-bolt" @click="begin('consent')">
          Go to {{ platforms[platform].name }}
        </button>
      </section>
      <section>
        <h3 class="font-semibold">With a code in your chat</h3>
        <p class="mt-1 mb-3 text-faded">Post a code as the channel’s owner. It proves that the channel is yours.</p>
        <button v-if="!begun || state === 'expired'" type="button" class="button" @click="begin('code')">
          {{ state === 'expired' && begun ? 'Another code' : 'Get a code' }}
        </button>
        <div v-if="begun" class="space-y-2">
          <p class="flex items-center gap-2">
            <code class="rounded-sm border border-rule bg-sheet px-2 py-1 font-mono">{{ begun.code }}</code><button
              type="button"
              class="button"
              @click="copy(begun.code)"
            >
              {{ copied ? 'Copied' : 'Copy' }}
            </button>
          </p>
          <p>
            <a :href="begun.chatUrl" target="_blank" rel="noopener" class="link text-deep-sky"
              >Open the chat of {{ platforms[platform].name }}</a
            >
          </p>
          <p role="status" :class="state === 'linked' ? 'text-moss' : 'text-faded'">{{ words }}</p>
        </div>
      </section>
    </div>
    <p v-if="refusal" role="alert" class="mt-3 text-brick">{{ refusal }}</p>
    <template #actions
      ><button type="button" class="button" @click="isOpen = false">
        {{ state === 'linked' && begun ? 'Done' : 'Close' }}
      </button></template
    >
  </PaperDialog>
</template>
