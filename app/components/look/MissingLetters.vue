<script setup lang="ts">
import { computedAsync } from '@vueuse/core'
import { computed } from 'vue'
import { lettersOf } from '../../../core/text/lettersOf.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { languageName } from '../../format/languageName.ts'
import { missingLetters } from '../../library/missingLetters.ts'

/** Says which letters of the channel's language a typeface does not have. */
const props = defineProps<{ family: string; weight: number }>()
const channel = useChannel()
const missing = computedAsync(
  () =>
    missingLetters(props.family, props.weight, lettersOf(channel.value.locale, channel.value.currency)).catch(() => ''),
  '',
)
const language = computed(() => languageName(channel.value.locale.split('-')[0] ?? 'en'))
const shownCount = 12
</script>

<template>
  <p v-if="missing" class="text-2xs text-brick" role="status">
    {{ family }} has no {{ [...missing].slice(0, shownCount).join(' ')
    }}{{ [...missing].length > shownCount ? ' …' : '' }}, which {{ language }} alerts of this channel need: another
    typeface stands in for these letters.
  </p>
</template>
