<script setup lang="ts">
import { NuxtLayout, NuxtPage } from '#components'
import { onMounted } from 'vue'
import { Toaster } from 'vue-sonner'
import { allFallbackFamilies } from '../core/text/fallbackFamilies.ts'
import { ensureSheet } from '../player/preload/fonts.ts'
import 'vue-sonner/style.css'

// Names come in every script. The sheets follow once the page stands; only the letters that are shown are fetched.
onMounted(() => setTimeout(() => allFallbackFamilies.forEach((family) => void ensureSheet(family)), 400))
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
  <Toaster
    position="bottom-center"
    theme="light"
    :toast-options="{
      style: { background: '#F3ECDD', color: '#1B2230', border: '1px solid #D8CCB4', borderRadius: '4px' },
    }"
  />
</template>
