<script setup lang="ts">
import { clearError } from '#imports'
import type { NuxtError } from '#app'

defineProps<{ error: NuxtError }>()
</script>

<template>
  <main class="grid h-full place-items-center p-8">
    <div class="max-w-md text-center">
      <h1 class="font-display text-3xl">
        {{ error.statusCode === 404 ? 'There is nothing here' : 'Something broke' }}
      </h1>
      <p class="mt-3 text-mist">
        {{
          error.statusCode === 404
            ? 'The address may be old, or mistyped.'
            : 'What you saved is safe. Try again; if it stays broken, reload the page.'
        }}
      </p>
      <button type="button" class="button button-bolt mt-6" @click="clearError({ redirect: '/boxes' })">
        Go to the boxes
      </button>
    </div>
  </main>
</template>
