<script setup lang="ts">
import { computed, provide } from 'vue'
import { changeLook } from '../../../core/edit/changeLook.ts'
import type { Look } from '../../../core/look/schema.ts'
import { useShownLook } from '../../composables/useShownLook.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { dialScopeKey } from '../dials/dialScope.ts'
import LevelRoles from './LevelRoles.vue'
import MotionRoles from './MotionRoles.vue'
import PaletteRoles from './PaletteRoles.vue'
import SeasonList from './SeasonList.vue'
import TokenFile from './TokenFile.vue'
import TypeRoles from './TypeRoles.vue'

/** The roles that all alerts of the box refer to: one change reaches every one of them. Every day, or for a season. */
defineProps<{ disabled: boolean }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const look = useShownLook()
// A season's look is no design of its own: dials turn the everyday one.
provide(
  dialScopeKey,
  computed(() => (view.seasonId === null ? { prefix: 'look', name: '' } : null)),
)
/** A colour that is dragged changes the look many times a second, and none of these. */
const alerts = computed(() => draft.document?.alerts ?? [])
const own = computed(() => ownCount(JSON.stringify(alerts.value)))
const edit = (what: string, recipe: (look: Look) => void) => draft.edit(changeLook(view.seasonId, what, recipe))

/** How many values of parts do not follow the look. */
const ownCount = (json: string) => json.match(/"own":/g)?.length ?? 0
</script>

<template>
  <div class="space-y-3">
    <div class="flex items-baseline justify-between">
      <h2 class="font-display text-lg font-semibold">Look of this box</h2>
      <button type="button" class="link text-deep-sky" @click="view.panel = 'part'">Done</button>
    </div>
    <p class="text-faded">
      A change here reaches every alert at once{{
        own > 0 ? `, except for ${own} colours and typefaces that parts have of their own` : ''
      }}.
    </p>
    <SeasonList :disabled="disabled" />
    <PaletteRoles :look="look" :disabled="disabled" @change="edit" />
    <TypeRoles :look="look" :disabled="disabled" @change="edit" />
    <MotionRoles :look="look" :disabled="disabled" @change="edit" />
    <LevelRoles :look="look" :disabled="disabled" @change="edit" />
    <TokenFile :look="look" :disabled="disabled" />
  </div>
</template>
