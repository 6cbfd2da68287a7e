<script setup lang="ts">
import { definePageMeta, navigateTo, useHead, useRoute } from '#imports'
import { KeyRound } from '@lucide/vue'
import { useForm } from '@tanstack/vue-form'
import { ref } from 'vue'
import { signInBody } from '../../contract/bodies.ts'
import { wordsOf } from '../api/request.ts'
import { passkeyTrouble, passkeyWords } from '../components/account/passkeyTrouble.ts'
import FormField from '../components/fields/FormField.vue'
import { firstError } from '../components/fields/firstError.ts'
import { useSessionStore } from '../stores/session.ts'

definePageMeta({ layout: 'door' })
useHead({ title: 'Sign in · Thundercrest' })
const session = useSessionStore()
const route = useRoute()
const refusal = ref('')

async function goOn(): Promise<void> {
  const wanted = typeof route.query.to === 'string' ? route.query.to : ''
  // Only a path of this application: "//elsewhere" would be another site.
  await navigateTo(/^\/(?!\/)/.test(wanted) ? wanted : '/')
}
const form = useForm({
  defaultValues: { email: '', password: '' },
  validators: { onSubmit: signInBody },
  onSubmit: async ({ value }) => {
    try {
      refusal.value = ''
      await session.signIn(value)
      await goOn()
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
})
function comeIn({ email, password }: { email: string; password: string }): void {
  form.setFieldValue('email', email)
  form.setFieldValue('password', password)
  void form.handleSubmit()
}
const canUsePasskey = passkeyTrouble() === ''
async function usePasskey(): Promise<void> {
  refusal.value = ''
  try {
    await session.signInByPasskey()
    await goOn()
  } catch (error) {
    refusal.value = passkeyWords(error)
  }
}
const isSubmitting = form.useStore((state) => state.isSubmitting)
</script>

<template>
  <form class="space-y-5" novalidate @submit.prevent="form.handleSubmit()">
    <h1 class="font-display text-3xl font-semibold">Sign in</h1>
    <form.Field v-slot="{ field, state }" name="email">
      <FormField
        :model-value="state.value"
        label="E-mail address"
        type="email"
        autocomplete="username"
        :error="firstError(state.meta.errors)"
        @update:model-value="field.handleChange"
      />
    </form.Field>
    <form.Field v-slot="{ field, state }" name="password">
      <FormField
        :model-value="state.value"
        label="Password"
        type="password"
        autocomplete="current-password"
        :error="firstError(state.meta.errors)"
        @update:model-value="field.handleChange"
      />
    </form.Field>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <button type="submit" class="button button-bolt w-full" :disabled="isSubmitting">
      {{ isSubmitting ? 'Signing in…' : 'Sign in' }}
    </button>
    <button v-if="canUsePasskey" type="button" class="button w-full" @click="usePasskey">
      <KeyRound :size="16" aria-hidden="true" />Sign in with a passkey
    </button>
    <section v-if="session.demoAccounts.length > 0" class="border-t border-rule pt-4" aria-label="Demo accounts">
      <h2 class="caps text-faded">This is the demo. Come in as</h2>
      <ul class="mt-2 divide-y divide-rule">
        <li v-for="account in session.demoAccounts" :key="account.email">
          <button
            type="button"
            class="flex w-full items-baseline justify-between rounded-sm py-1.5 text-left hover:bg-rule/50"
            @click="comeIn(account)"
          >
            <span class="font-medium">{{ account.name }}</span><span class="text-faded">{{ account.role }}</span>
          </button>
        </li>
      </ul>
    </section>
  </form>
</template>
