<script setup lang="ts">
import { NuxtLink } from '#components'
import { definePageMeta, useHead, useRoute } from '#imports'
import { useForm } from '@tanstack/vue-form'
import { onMounted, ref } from 'vue'
import { newPasswordBody, type OpenedPasswordLink } from '../../../contract/people.ts'
import { request, wordsOf } from '../../api/request.ts'
import FormField from '../../components/fields/FormField.vue'
import { firstError } from '../../components/fields/firstError.ts'

definePageMeta({ layout: 'door' })
useHead({ title: 'A new password · Thundercrest', meta: [{ name: 'referrer', content: 'no-referrer' }] })
const path = `/api/password-links/${String(useRoute().params.token)}`
const link = ref<OpenedPasswordLink | null>(null)
const refusal = ref('')

onMounted(async () => {
  try {
    link.value = await request<OpenedPasswordLink>('GET', path)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
const form = useForm({
  defaultValues: { password: '' },
  validators: { onSubmit: newPasswordBody },
  onSubmit: async ({ value }) => {
    try {
      refusal.value = ''
      await request('POST', path, value)
      // Everything is read anew, as whoever is signed in now.
      location.assign('/')
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
})
const isSubmitting = form.useStore((state) => state.isSubmitting)
</script>

<template>
  <form v-if="link" class="space-y-4" novalidate @submit.prevent="form.handleSubmit()">
    <h1 class="font-display text-3xl font-semibold">A new password</h1>
    <p class="text-faded">
      For {{ link.name }}, who signs in with <b class="font-semibold text-char">{{ link.email }}</b>. You are signed out
      everywhere else.
    </p>
    <input
      type="text"
      class="sr-only"
      autocomplete="username"
      :value="link.email"
      tabindex="-1"
      readonly
      aria-hidden="true"
    />
    <form.Field v-slot="{ field, state }" name="password">
      <FormField
        :model-value="state.value"
        label="Password"
        type="password"
        autocomplete="new-password"
        hint="Ten characters or more."
        :error="firstError(state.meta.errors)"
        @update:model-value="field.handleChange"
      />
    </form.Field>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <button type="submit" class="button button-bolt w-full" :disabled="isSubmitting">Set it and sign in</button>
  </form>
  <div v-else-if="refusal" class="space-y-4">
    <h1 class="font-display text-3xl font-semibold">This link leads nowhere</h1>
    <p role="alert">{{ refusal }}</p>
    <NuxtLink to="/" class="link text-deep-sky">To the sign-in</NuxtLink>
  </div>
  <p v-else class="text-faded">Loading…</p>
</template>
