import { feedSource } from '../core/events/feedSource.ts'
import { makeNight } from '../core/rehearsal/makeNight.ts'
import type { CanonicalEvent } from '../core/events/schema.ts'
import { momentAt } from '../core/time/localMoment.ts'
import { demoChannel } from './scenario.ts'

const hourMs = 3_600_000
const minuteMs = 60_000

/** The night of 24 November: from ten in the evening until four, with a raid at 00:40. */
export const nightFromMs = momentAt(Date.UTC(2026, 10, 24) / 86_400_000, 22 * 60, demoChannel.timeZone)
export const nightLengthMs = 6 * hourMs
const raidAtMs = nightFromMs + 2 * hourMs + 40 * minuteMs

const names = [
  ...['pip_rye', 'MarrowHat', 'sootkettle', 'Juno Flint', 'caraway_owl', 'Tomé Brandão', 'InêsDaPadaria', '毛毛面包'],
  ...['نورا_خبز', 'xX_Sourdough_Sam_Xx', '🥐wisp', "O'Malt", 'Zoë', 'kneadybeast'],
]
const messages = [
  ...[
    'the crust sings tonight',
    'one more tray for the road',
    'o pão de centeio é o melhor da noite',
    'good evening, bakers',
  ],
  ...[
    'for the new oven',
    'rye please',
    'first loaf of the night goes to my grandmother',
    'bom trabalho!',
    '面包好香',
    '🥖🥖🥖',
  ],
  ...['I work nights too, this keeps me company', 'how hot is the oven now?', 'save me a heel', 'خبز طازج'],
]

/** 904 things that happened. */
export const demoNight = (): CanonicalEvent[] =>
  makeNight({
    ...{ seed: 24_11, beginMs: nightFromMs, lengthMs: nightLengthMs, names, messages, currency: demoChannel.currency },
    often: [
      { kind: 'follow', count: 352 },
      { kind: 'redemption', count: 148 },
      { kind: 'resubscription', count: 71 },
      { kind: 'tip', count: 64 },
      { kind: 'subscription', count: 48 },
      { kind: 'applause', count: 26 },
    ],
    raids: [
      { atMs: nightFromMs + 55 * minuteMs, name: 'caraway_owl', partySize: 12 },
      { atMs: raidAtMs, name: 'Juno Flint', partySize: 117 },
    ],
    bursts: [
      { kind: 'follow', atMs: raidAtMs + 4_000, withinMs: 60_000, count: 117 },
      { kind: 'gifts', atMs: raidAtMs + 30_000, withinMs: 15_000, count: 50 },
      { kind: 'gifts', atMs: nightFromMs + 95 * minuteMs, withinMs: 5_000, count: 5 },
      { kind: 'gifts', atMs: nightFromMs + 310 * minuteMs, withinMs: 8_000, count: 18 },
    ],
    calm: { from: 0.66, until: 0.83, share: 0.15 },
    sources: [feedSource('feed-alder'), feedSource('feed-cedar')],
    rewards: [
      { id: 'bell', title: 'Ring the oven bell', costPoints: 300 },
      { id: 'cloud', title: 'Flour cloud', costPoints: 150 },
    ],
    tips: [
      { amountMinor: 300, weight: 30 },
      { amountMinor: 500, weight: 22 },
      { amountMinor: 2_500, weight: 8 },
      { amountMinor: 5_000, weight: 3 },
      { amountMinor: 10_000, weight: 1 },
    ],
  })
