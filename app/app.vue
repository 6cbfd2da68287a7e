<script setup lang="ts">
import { NuxtPage } from '#components'
</script>
<template>
  <NuxtPage />
</template>
