<script setup lang="ts">
import { startRegistration } from '@simplewebauthn/browser'
import { formatTimeAgo } from '@vueuse/core'
import { ref } from 'vue'
import { toast } from 'vue-sonner'
import type { AccountView } from '../../../contract/people.ts'
import { passkeyTrouble, passkeyWords } from './passkeyTrouble.ts'
import { request } from '../../api/request.ts'

/** Keys that one's devices keep: whoever has the device, and its PIN or finger, signs in without a password. */
defineProps<{ passkeys: AccountView['passkeys'] }>()
const emit = defineEmits<{ change: [account: AccountView] }>()
const name = ref('')
const refusal = ref('')
const isWorking = ref(false)
/** Why there can be none here; empty: there can. */
const trouble = passkeyTrouble()
const ago = (ms: number) => formatTimeAgo(new Date(ms))

async function tried(work: () => Promise<AccountView>, said: string): Promise<void> {
  refusal.value = ''
  isWorking.value = true
  try {
    emit('change', await work())
    toast.success(said)
  } catch (error) {
    refusal.value = passkeyWords(error)
  } finally {
    isWorking.value = false
  }
}
const add = () =>
  tried(async () => {
    type Options = Parameters<typeof startRegistration>[0]['optionsJSON']
    const optionsJSON = await request<Options>('POST', '/api/account/passkeys/options')
    const answer = await startRegistration({ optionsJSON })
    const account = await request<AccountView>('POST', '/api/account/passkeys', { name: name.value, answer })
    name.value = ''
    return account
  }, 'From now on this device signs you in.')
const remove = (id: string) =>
  tried(() => request<AccountView>('DELETE', `/api/account/passkeys/${id}`), 'It signs nobody in any more.')
</script>

<template>
  <section class="on-paper rounded-sm p-5" aria-labelledby="passkeys">
    <h2 id="passkeys" class="font-display text-xl font-semibold">Passkeys</h2>
    <p class="mt-1 text-faded">Sign in with what unlocks your device, instead of the password. The password stays.</p>
    <ul v-if="passkeys.length > 0" class="mt-2 divide-y divide-rule" aria-label="Passkeys of yours">
      <li v-for="each in passkeys" :key="each.id" class="flex items-center gap-3 py-2">
        <span class="min-w-0 flex-1"
          ><span class="block truncate">{{ each.name }}</span
          ><span class="block text-faded"
            >since {{ ago(each.madeAtMs)
            }}<template v-if="each.usedAtMs !== null">, used {{ ago(each.usedAtMs) }}</template></span
          ></span
        >
        <button
          type="button"
          class="button"
          :disabled="isWorking"
          :aria-label="`Take away: ${each.name}`"
          @click="remove(each.id)"
        >
          Take away
        </button>
      </li>
    </ul>
    <p v-if="trouble" class="mt-3 text-faded">{{ trouble }}</p>
    <form v-else class="mt-3 flex gap-2" @submit.prevent="add">
      <input
        v-model="name"
        class="field"
        maxlength="80"
        placeholder="which device, e.g. the laptop"
        aria-label="Which device"
        required
      />
      <button type="submit" class="button shrink-0" :disabled="isWorking">Add a passkey</button>
    </form>
    <p v-if="refusal" role="alert" class="mt-2 text-brick">{{ refusal }}</p>
  </section>
</template>
