<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { TrialShare } from '../../../contract/speech.ts'
import type { SpeechSettings } from '../../../core/speech/settings.ts'
import { request, wordsOf } from '../../api/request.ts'
import { abuseWords } from './stepWords.ts'

/**
 * How much of each kind of abuse the levels stop, and how much of what is innocent they touch: on messages that ship
 * for it.
 */
const props = defineProps<{ settings: SpeechSettings }>()
const shares = ref<TrialShare[] | null>(null)
const refusal = ref('')
watch(
  () => props.settings,
  async (settings) => {
    try {
      shares.value = (await request<{ shares: TrialShare[] }>('POST', '/api/channel/speech/trial', { settings })).shares
      refusal.value = ''
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
  { immediate: true },
)
const levels = computed(() => [
  ...(['open', 'careful', 'strict'] as const),
  ...(props.settings.strictness === 'own' ? (['own'] as const) : []),
])
const abusive = computed(() => (shares.value ?? []).filter(({ abuse }) => abuse !== null))
const innocent = computed(() => (shares.value ?? []).find(({ abuse }) => abuse === null))
const sum = (level: (typeof levels.value)[number]) => abusive.value.reduce((all, share) => all + share[level], 0)
const total = computed(() => abusive.value.reduce((all, { count }) => all + count, 0))
</script>

<template>
  <section class="on-paper flex min-h-0 flex-col overflow-y-auto rounded-sm p-4" aria-labelledby="shares" tabindex="0">
    <h2 id="shares" class="font-display text-xl font-semibold">What it stops</h2>
    <p class="mt-1 mb-3 text-faded">
      On {{ total }} abusive and {{ innocent?.count ?? 0 }} innocent messages that ship with it: changed or stopped, by
      level.
    </p>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <table v-if="shares" class="w-full">
      <thead>
        <tr class="border-b border-rule text-left">
          <th class="py-1 font-normal text-faded">kind of abuse</th>
          <th
            v-for="level in levels"
            :key="level"
            class="w-14 py-1 text-right"
            :class="level === settings.strictness ? 'font-semibold' : 'font-normal text-faded'"
          >
            {{ level }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="share in abusive" :key="share.abuse ?? ''" class="border-b border-rule/60">
          <th class="py-1.5 text-left font-normal">{{ share.abuse && abuseWords[share.abuse] }}</th>
          <td
            v-for="level in levels"
            :key="level"
            class="py-1.5 pl-2 text-right"
            :class="level === settings.strictness ? 'font-semibold' : ''"
          >
            <span class="font-mono text-2xs">{{ share[level] }}/{{ share.count }}</span>
            <span class="mt-0.5 block h-1 rounded-xs bg-rule"
              ><span
                class="block h-full rounded-xs"
                :class="level === settings.strictness ? 'bg-moss' : 'bg-faded/60'"
                :style="{ width: `${(share[level] / Math.max(1, share.count)) * 100}%` }"
            /></span>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr class="border-b border-rule">
          <th class="py-1.5 text-left font-semibold">abuse stopped</th>
          <td v-for="level in levels" :key="level" class="py-1.5 text-right font-mono text-2xs font-semibold">
            {{ Math.round((sum(level) / Math.max(1, total)) * 100) }} %
          </td>
        </tr>
        <tr v-if="innocent">
          <th class="py-1.5 text-left font-semibold">innocent touched</th>
          <td
            v-for="level in levels"
            :key="level"
            class="py-1.5 text-right font-mono text-2xs font-semibold"
            :class="innocent[level] > 0 ? 'text-brick' : 'text-moss'"
          >
            {{ innocent[level] }}/{{ innocent.count }}
          </td>
        </tr>
      </tfoot>
    </table>
    <p v-else class="text-faded">Trying all levels…</p>
    <p class="mt-3 text-2xs text-faded">
      These messages were at hand while the rules were written. How the rules do on messages nobody tuned them to stands
      in the figures of the documentation.
    </p>
  </section>
</template>
