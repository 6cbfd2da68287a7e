<script setup lang="ts">
import ThunderMark from '../components/frame/ThunderMark.vue'
import { useScheme } from '../composables/useScheme.ts'

useScheme()
</script>

<template>
  <main class="grid h-full grid-cols-1 overflow-y-auto lg:grid-cols-[1fr_28rem]">
    <section class="relative hidden overflow-hidden bg-deep lg:block" aria-hidden="true">
      <svg viewBox="0 0 900 800" class="absolute inset-0 size-full" preserveAspectRatio="xMidYMax slice">
        <path
          d="M-20 640 L130 470 L210 560 L330 330 L420 470 L500 400 L640 580 L760 450 L920 640 V820 H-20 Z"
          class="fill-night stroke-seam"
          stroke-width="2"
        />
        <path
          d="M-20 720 L110 620 L240 700 L390 560 L520 690 L690 600 L920 740 V820 H-20 Z"
          class="fill-ridge stroke-seam"
          stroke-width="2"
        />
        <path
          d="M372 60 L330 170 H372 L322 318"
          fill="none"
          class="stroke-glow"
          stroke-width="5"
          stroke-linejoin="round"
          stroke-linecap="round"
        />
        <g class="stroke-mist" stroke-width="2" stroke-linecap="round" opacity=".5">
          <path
            d="M120 150 l-16 44 M200 220 l-16 44 M560 130 l-16 44 M650 240 l-16 44 M760 160 l-16 44 M480 250 l-16 44 M90 330 l-16 44 M800 330 l-16 44"
          />
        </g>
      </svg>
      <p class="absolute bottom-10 left-10 max-w-sm font-display text-3xl leading-tight">
        What you tune at home is what they see and hear on air.
      </p>
    </section>
    <section class="on-paper flex flex-col justify-center px-10 py-12">
      <div class="mb-10 flex items-center gap-3 [--glow:#a06a00] [--mist:#5d594d]">
        <ThunderMark />
        <span class="font-display text-xl font-semibold">Thundercrest</span>
      </div>
      <slot />
    </section>
  </main>
</template>
