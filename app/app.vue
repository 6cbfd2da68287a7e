<script setup lang="ts">
import { NuxtLayout, NuxtPage } from '#components'
import { Toaster } from 'vue-sonner'
import 'vue-sonner/style.css'
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
  <Toaster position="bottom-center" theme="light" :toast-options="{ style: { background: '#F3ECDD', color: '#1B2230', border: '1px solid #D8CCB4', borderRadius: '4px' } }" />
</template>
