import type { Asked } from '../gate/schema.ts'
import type { NightWish } from './makeNight.ts'

const hourMs = 3_600_000
const minuteMs = 60_000

/** Viewers and what they write, in every made-up night. */
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
const tips: NightWish['tips'] = [
  { amountMinor: 300, weight: 30 },
  { amountMinor: 500, weight: 22 },
  { amountMinor: 2_500, weight: 8 },
  { amountMinor: 5_000, weight: 3 },
  { amountMinor: 10_000, weight: 1 },
]
const ownRewards: NightWish['rewards'] = [
  { id: 'bell', title: 'Ring the oven bell', costPoints: 300 },
  { id: 'cloud', title: 'Flour cloud', costPoints: 150 },
]

/** What viewers type where they are asked for something. */
const typedWords = ['Old Rye', 'avó Maria', 'Midnight', 'crumb', 'the heel of the night']

/** What is typed for what a gate asks: something that it takes, and now and then something that is too long for it. */
export function inputsFor(asked: Asked | null): readonly string[] {
  if (asked === null) return []
  return asked.as === 'choice' ? asked.choices : typedWords
}

/** Who asks for things has a role more often than who only watches. */
const usualRoles: NonNullable<NightWish['roles']> = [
  { role: 'subscriber', share: 0.4 },
  { role: 'vip', share: 0.08 },
  { role: 'moderator', share: 0.05 },
]

/** Where and when a made-up night happens. */
export interface NightPlace {
  beginMs: number
  currency: string
  sources: readonly string[]
  /** What the channel's viewers redeem and type; absent: the bakery's rewards, and nothing is typed. */
  rewards?: NightWish['rewards']
  commands?: readonly string[]
}

/** How long after the begin of the long queue's night its raid comes. */
const raidAfterMs = 2 * hourMs + 40 * minuteMs
export const longQueueMs = 6 * hourMs

/**
 * The night of the long queue: six hours, calm at first, a raid at twenty to one with follows by the dozen and fifty gifts
 * within seconds, a calm stretch, and a late tray of gifts. 904 things happen.
 */
export const longQueue = ({ beginMs, currency, sources }: NightPlace): NightWish => ({
  ...{ currency, sources },
  ...{ seed: 24_11, beginMs, lengthMs: longQueueMs, names, messages, tips, rewards: ownRewards },
  often: [
    { kind: 'follow', count: 352 },
    { kind: 'redemption', count: 148 },
    { kind: 'resubscription', count: 71 },
    { kind: 'tip', count: 64 },
    { kind: 'subscription', count: 48 },
    { kind: 'applause', count: 26 },
  ],
  raids: [
    { atMs: beginMs + 55 * minuteMs, name: 'caraway_owl', partySize: 12 },
    { atMs: beginMs + raidAfterMs, name: 'Juno Flint', partySize: 117 },
  ],
  bursts: [
    { kind: 'follow', atMs: beginMs + raidAfterMs + 4_000, withinMs: 60_000, count: 117 },
    { kind: 'gifts', atMs: beginMs + raidAfterMs + 30_000, withinMs: 15_000, count: 50 },
    { kind: 'gifts', atMs: beginMs + 95 * minuteMs, withinMs: 5_000, count: 5 },
    { kind: 'gifts', atMs: beginMs + 310 * minuteMs, withinMs: 8_000, count: 18 },
  ],
  calm: { from: 0.66, until: 0.83, share: 0.15 },
})

/** A night as somebody wishes it: how long, how much of each an hour, and what comes all at once. */
export interface NightDials {
  seed: number
  hours: number
  /** An hour, on average. */
  follows: number
  tips: number
  subscriptions: number
  redemptions: number
  /** Commands typed in chat, where the channel has any. */
  commands: number
  /** Parties that come along in the night, each of so many, of whom most follow within a minute. */
  raids: number
  raidSize: number
  /** Trays of gifts in the night, each of so many. */
  trays: number
  traySize: number
}

export const usualDials: NightDials = {
  ...{ seed: 1, hours: 3, follows: 60, tips: 12, subscriptions: 20, redemptions: 25, commands: 20 },
  ...{ raids: 2, raidSize: 120, trays: 3, traySize: 20 },
}

/** How far each dial goes. */
export const dialRanges: Readonly<Record<Exclude<keyof NightDials, 'seed'>, readonly [least: number, most: number]>> = {
  ...{ hours: [1, 12], follows: [0, 600], tips: [0, 200], subscriptions: [0, 300], redemptions: [0, 400] },
  commands: [0, 400],
  ...{ raids: [0, 6], raidSize: [10, 1_000], trays: [0, 12], traySize: [1, 200] },
}

/** Of those who come with a raid so many follow. */
const stayShare = 0.8
/** Parties and trays come at even distances, so that what each does can be told apart. */
const placesOf = (count: number, offset: number): number[] =>
  Array.from({ length: count }, (_, at) => (at + offset) / count)

/** The night that the dials say. */
export function dialledNight(
  dials: NightDials,
  { beginMs, rewards = [], commands = [], ...place }: NightPlace,
): NightWish {
  const lengthMs = dials.hours * hourMs
  const inAll = (anHour: number) => Math.round(anHour * dials.hours)
  const atShare = (share: number) => beginMs + Math.floor(share * (lengthMs - 2 * minuteMs))
  const again = Math.round(inAll(dials.subscriptions) * 0.6)
  const raids = placesOf(dials.raids, 0.5).map(atShare)
  return {
    ...place,
    ...{ seed: dials.seed, beginMs, lengthMs, names, messages, tips, commands, calm: null, roles: usualRoles },
    rewards: rewards.length > 0 ? rewards : ownRewards,
    often: [
      { kind: 'follow', count: inAll(dials.follows) },
      { kind: 'tip', count: inAll(dials.tips) },
      { kind: 'resubscription', count: again },
      { kind: 'subscription', count: inAll(dials.subscriptions) - again },
      { kind: 'redemption', count: inAll(dials.redemptions) },
      { kind: 'chatCommand', count: commands.length > 0 ? inAll(dials.commands) : 0 },
    ],
    raids: raids.map((atMs, at) => ({ atMs, name: names[at % names.length] ?? '', partySize: dials.raidSize })),
    bursts: [
      ...raids.map((atMs) => ({
        ...{ kind: 'follow' as const, atMs: atMs + 4_000, withinMs: minuteMs },
        count: Math.round(dials.raidSize * stayShare),
      })),
      ...placesOf(dials.trays, 0.7).map((share) => ({
        ...{ kind: 'gifts' as const, atMs: atShare(Math.min(1, share)), withinMs: 10_000, count: dials.traySize },
      })),
    ],
  }
}
