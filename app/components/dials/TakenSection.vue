<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { ArrowUp, PackageOpen } from '@lucide/vue'
import { computed, ref } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { canDiffer, standingOf } from '../../../core/pack/standing.ts'
import type { TakenDesign } from '../../composables/useTakenPacks.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { usePacksStore } from '../../stores/packs.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import InspectorSection from '../inspector/InspectorSection.vue'
import ReleaseDialog from '../packs/ReleaseDialog.vue'
import RemovePackDialog from '../packs/RemovePackDialog.vue'
import DialRow from './DialRow.vue'

/** A pack that the box has: its dials in their groups, and what can become of it. */
const props = defineProps<{ taken: TakenDesign; disabled: boolean }>()
const draft = useDraftStore()
const packs = usePacksStore()
const room = useScoreRoomStore()
const isForAlert = ref(false)
const isReleaseOpen = ref(false)
const isRemoveOpen = ref(false)
const isOfPack = computed(() => room.alert !== null && Object.values(props.taken.entry.alerts).includes(room.alert.id))
const scopes = computed(() => [
  { value: false, label: 'whole pack' },
  ...(isOfPack.value && room.alert ? [{ value: true, label: `${kindNames[mainKind(room.alert)]} only` }] : []),
])
/** Dials that turn nothing here are not shown: what they turn was not taken. */
const dials = computed(() =>
  props.taken.pack.dials.filter(({ bindings }) =>
    bindings.some(({ path }) =>
      path.startsWith('look.')
        ? props.taken.entry.wearsLook
        : path.startsWith('alerts.*') || path.split('.')[1]! in props.taken.entry.alerts,
    ),
  ),
)
/** What the pack gives the box: once for all its dials, and again only where one is turned. */
const entry = computed(() => props.taken.entry)
const pack = computed(() => props.taken.pack)
const canvas = computed(() => draft.document?.canvas ?? pack.value.box.canvas)
const standing = computed(() => standingOf(pack.value, entry.value, canvas.value))
/** For one alert only those that can stand otherwise there. */
const shown = computed(() =>
  isForAlert.value && isOfPack.value ? dials.value.filter(({ id }) => canDiffer(props.taken.pack, id)) : dials.value,
)
const groups = computed(() =>
  [...new Set(shown.value.map(({ group }) => group))].map((name) => ({
    name: name || 'Dials',
    dials: shown.value.filter(({ group }) => group === name),
  })),
)
const newer = computed(() => packs.after(props.taken.entry.id, props.taken.entry.release))
</script>

<template>
  <section :aria-label="`Pack ${taken.entry.name}`" class="space-y-2">
    <div>
      <h3 class="flex items-center gap-1.5 font-display text-base font-semibold">
        <PackageOpen :size="15" aria-hidden="true" />{{ taken.entry.name }}
      </h3>
      <p class="text-faded">
        release {{ taken.entry.release }}{{ taken.pack.author ? ` by ${taken.pack.author}` : ''
        }}{{ taken.entry.wearsLook ? '' : ', in the look of this box' }}
      </p>
    </div>
    <p v-if="newer && !disabled" class="rounded-sm bg-sheet p-2">
      Release {{ newer.release }} is on the shelf.
      <button type="button" class="link text-deep-sky" @click="isReleaseOpen = true">
        <ArrowUp :size="13" class="inline" aria-hidden="true" />Look at it
      </button>
    </p>
    <p v-if="dials.length === 0" class="text-faded">
      This pack has no dials that turn something here. Its alerts are changed part by part.
    </p>
    <RadioGroup v-else v-model="isForAlert" class="flex items-center gap-2">
      <RadioGroupLabel as="p" class="text-faded">Turn for</RadioGroupLabel>
      <div class="flex min-w-0 gap-1">
        <RadioGroupOption
          v-for="scope in scopes"
          :key="scope.label"
          v-slot="{ checked }"
          :value="scope.value"
          class="min-w-0 cursor-pointer rounded-sm"
          ><span
            class="block truncate rounded-sm border px-2 py-0.5"
            :class="checked ? 'border-ink bg-sheet font-semibold' : 'border-rule'"
            >{{ scope.label }}</span
          ></RadioGroupOption
        >
      </div>
    </RadioGroup>
    <InspectorSection v-for="group in groups" :key="group.name" :title="group.name"
      ><DialRow
        v-for="dial in group.dials"
        :key="dial.id"
        :taken="taken"
        :standing="standing"
        :dial="dial"
        :is-for-alert="isForAlert && isOfPack"
        :disabled="disabled"
    /></InspectorSection>
    <p v-if="shown.length < dials.length" class="text-2xs text-faded">
      {{ counted(dials.length - shown.length, 'dial') }} more
      {{ dials.length - shown.length === 1 ? 'turns' : 'turn' }} what all alerts share.
    </p>
    <p v-if="!disabled" class="border-t border-rule pt-2">
      <button type="button" class="link text-deep-sky" @click="isRemoveOpen = true">Remove this pack…</button>
    </p>
    <ReleaseDialog v-if="newer" v-model:open="isReleaseOpen" :taken="taken" :release="newer" />
    <RemovePackDialog v-model:open="isRemoveOpen" :taken="taken" />
  </section>
</template>
