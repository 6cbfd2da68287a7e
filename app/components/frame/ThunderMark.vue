<template>
  <svg viewBox="0 0 40 32" class="h-8 w-10 shrink-0" aria-hidden="true">
    <path
      d="M2 28 L12 11 L17 19 L25 4 L38 28"
      fill="none"
      class="stroke-mist"
      stroke-width="2.2"
      stroke-linejoin="round"
      stroke-linecap="round"
    />
    <path
      d="M23.5 10 L18.5 18.5 H23 L19.5 27"
      fill="none"
      class="stroke-glow"
      stroke-width="2.4"
      stroke-linejoin="round"
      stroke-linecap="round"
    />
  </svg>
</template>
