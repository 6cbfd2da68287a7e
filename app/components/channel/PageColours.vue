<script setup lang="ts">
import { computed } from 'vue'
import { lanternLook } from '../../../core/look/lanternLook.ts'
import { pageInks } from '../../../core/tip/pageInks.ts'
import type { PageColours } from '../../../core/tip/pageLook.ts'

/** The two colours that the public pages follow, with a page in small on both of its sides. */
const props = defineProps<{ colours: PageColours | null; name: string; isFixed: boolean }>()
const emit = defineEmits<{ change: [colours: PageColours | null] }>()
const { plate, accent } = lanternLook.palette
const shown = computed(() => props.colours ?? { plate, accent })
const inks = computed(() => pageInks({ ...lanternLook.palette, ...shown.value }))
const sides = computed(() => [inks.value.light, inks.value.dark])
const read = (event: Event) => (event.target as HTMLInputElement).value.toUpperCase()
const pickers = [
  { role: 'plate', label: 'under it all' },
  { role: 'accent', label: 'what stands out' },
] as const
</script>

<template>
  <div>
    <label class="flex items-center gap-2">
      <input
        type="checkbox"
        class="size-4 accent-deep-sky"
        :checked="colours !== null"
        :disabled="isFixed"
        @change="emit('change', colours ? null : shown)"
      />colours of their own
    </label>
    <p v-if="!colours" class="mt-1 text-faded">They are coloured as your alerts.</p>
    <template v-else>
      <div class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
        <label v-for="{ role, label } in pickers" :key="role" class="flex items-center gap-2">
          <input
            type="color"
            class="h-8 w-9 cursor-pointer rounded-sm border border-rule bg-sheet p-0.5"
            :value="shown[role]"
            :disabled="isFixed"
            @change="emit('change', { ...shown, [role]: read($event) })"
          />
          {{ label }}
        </label>
      </div>
      <div class="mt-3 grid grid-cols-2 gap-2" aria-hidden="true">
        <div
          v-for="(side, at) in sides"
          :key="at"
          class="rounded-sm border p-2.5"
          :style="{ background: side.ground, color: side.ink, borderColor: side.edge }"
        >
          <p class="truncate font-display font-semibold">{{ name }}</p>
          <p class="text-2xs" :style="{ color: side.faded }">what is said besides</p>
          <span
            class="mt-1.5 inline-block rounded-xs px-2 py-0.5 text-2xs font-semibold"
            :style="{ background: inks.accent, color: inks.onAccent }"
            >to be pressed</span
          >
        </div>
      </div>
    </template>
  </div>
</template>
