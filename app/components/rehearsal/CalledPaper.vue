<script setup lang="ts">
import { computed } from 'vue'
import type { Refusal } from '../../../core/gate/askGate.ts'
import type { TriggerFigures } from '../../../core/rehearsal/triggerFigures.ts'
import { lengthWords } from '../../format/time.ts'

/** What viewers of a night set off: who was let through, who was not and why, and when the last of it was gone. */
const props = defineProps<{
  triggers: readonly TriggerFigures[]
  names: ReadonlyMap<string, string>
  points: { one: string; many: string }
  clock: (atMs: number) => string
  /** Whether anything of it costs points of the channel. */
  asksPoints: boolean
}>()
const startPoints = defineModel<number>('startPoints', { required: true })
const reasons: Readonly<Record<Refusal, string>> = {
  disarmed: 'switched off',
  hours: 'outside its hours',
  scene: 'another scene is shown',
  who: 'not for them',
  input: 'what they typed cannot be taken',
  cooldown: 'too soon after somebody else',
  viewerCooldown: 'too soon after themselves',
  streamLimit: 'all of this stream were used',
  viewerLimit: 'they had their share',
  stock: 'none were left',
  votes: 'not enough had asked yet',
  cost: 'too few points',
}
const rows = computed(() =>
  props.triggers.map((each) => ({
    ...each,
    name: props.names.get(each.triggerId) ?? each.triggerId,
    lines: [
      ...each.refusals.map(({ reason, count, said }) => `${count} × ${reason ? reasons[reason] : said}`),
      each.released > 0 ? `${each.released} × given back: nothing of it ever began` : '',
      each.stockEndedAtMs === null ? '' : `the last one went at ${props.clock(each.stockEndedAtMs)}`,
      each.longestMs >= 1_000 ? `began up to ${lengthWords(each.longestMs)} late` : '',
      each.spent > 0 ? `${each.spent} ${props.points.many} spent` : '',
      ...each.faults,
    ].filter(Boolean),
  })),
)
</script>

<template>
  <section aria-labelledby="called">
    <h2 id="called" class="font-display text-xl font-semibold">What viewers set off</h2>
    <p v-if="asksPoints" class="mt-1 text-faded">
      Everyone begins the night with
      <input
        v-model.lazy.number="startPoints"
        type="number"
        min="0"
        max="1000000"
        class="in-sentence w-20"
        :aria-label="`${points.many} that everyone begins with`"
      />
      {{ points.many }}.
    </p>
    <table class="mt-2 w-full border-collapse">
      <thead>
        <tr class="border-b border-rule text-right text-faded">
          <td />
          <th scope="col" class="py-1 font-normal">asked</th>
          <th scope="col" class="py-1 pl-2 font-normal">ran</th>
          <th scope="col" class="py-1 pl-2 font-normal">refused</th>
        </tr>
      </thead>
      <tbody v-for="row in rows" :key="row.triggerId" class="border-b border-rule">
        <tr>
          <th scope="row" class="py-1 pr-2 text-left font-normal">{{ row.name }}</th>
          <td class="text-right font-mono text-xs">{{ row.asked }}</td>
          <td class="pl-2 text-right font-mono text-xs font-semibold">{{ row.ran }}</td>
          <td class="pl-2 text-right font-mono text-xs">{{ row.refused }}</td>
        </tr>
        <tr v-if="row.lines.length > 0">
          <td colspan="4" class="pb-1.5 text-faded">{{ row.lines.join(' · ') }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
