// Shares of campaigns over ten thousand slots, beside a draw by weight, which is what one would write by hand.
import { nextCampaign, type RotationState } from '../core/campaign/rotation.ts'
import { campaign } from '../core/campaign/schema.ts'
import { placeOfLot, randomAt } from '../core/random.ts'
import { report, type Measured } from './report.ts'

const slots = 10_000
const mixes = {
  'weights 2 : 1': [2, 1],
  'weights 5 : 3 : 1 : 1': [5, 3, 1, 1],
  '20 campaigns, weights 1 to 20': Array.from({ length: 20 }, (_, index) => index + 1),
}
const minuteMs = 60_000

/** How far the share of any is from what its weight says, in hundredths of all slots. */
function worst(weights: readonly number[], shown: readonly number[]): string {
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  const off = weights.map((weight, index) => Math.abs((shown[index] ?? 0) / slots - weight / all))
  return `${(100 * Math.max(...off)).toFixed(3)} %`
}
const measured: Measured[] = []
for (const [what, weights] of Object.entries(mixes)) {
  const campaigns = weights.map((weight, index) =>
    campaign.parse({
      ...{ id: `c${index}`, name: `c${index}`, words: 'a line', mediaId: null, link: null, fromMs: 0, untilMs: null },
      ...{ everyMin: 1, hours: null, weight, caps: { day: null, all: null }, isPaused: false },
    }),
  )
  let state: RotationState = {}
  const shown = weights.map(() => 0)
  const beganMs = performance.now()
  for (let slot = 0; slot < slots; slot++) {
    const next = nextCampaign(campaigns, state, { nowMs: slot * minuteMs, timeZone: 'Europe/Lisbon', seed: 7 })
    state = next.state
    const at = campaigns.findIndex(({ id }) => id === next.id)
    shown[at] = (shown[at] ?? 0) + 1
  }
  const tookMs = performance.now() - beganMs
  const drawn = weights.map(() => 0)
  for (let slot = 0; slot < slots; slot++) {
    const at = placeOfLot(weights, randomAt(7, slot))
    drawn[at] = (drawn[at] ?? 0) + 1
  }
  measured.push({
    what,
    figures: {
      'furthest from its share': worst(weights, shown),
      'a draw by weight': worst(weights, drawn),
      'a slot': `${((1000 * tookMs) / slots).toFixed(1)} µs`,
    },
  })
}
report('rotation', measured)
