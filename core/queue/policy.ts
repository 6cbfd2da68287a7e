import * as z from 'zod'
import { ageSentence, type AgeSentence } from './rules/age.ts'
import { airtimeSentence } from './rules/airtime.ts'
import { approveSentence, type ApproveSentence } from './rules/approve.ts'
import { besideSentence, type BesideSentence } from './rules/beside.ts'
import { elasticSentence, type ElasticSentence } from './rules/elastic.ts'
import { gapSentence } from './rules/gap.ts'
import { giftsSentence } from './rules/gifts.ts'
import { mergeSentence, type MergeSentence } from './rules/merge.ts'
import { orderSentence, type OrderSentence } from './rules/order.ts'
import { quietSentence, type QuietSentence } from './rules/quiet.ts'
import { roomSentence } from './rules/room.ts'

/** One rule of a policy, as it is written down. */
export const sentence = z.discriminatedUnion('rule', [
  gapSentence,
  orderSentence,
  mergeSentence,
  giftsSentence,
  elasticSentence,
  airtimeSentence,
  ageSentence,
  besideSentence,
  quietSentence,
  approveSentence,
  roomSentence,
])
export type Sentence = z.infer<typeof sentence>
export type RuleName = Sentence['rule']
export type SentenceOf<R extends RuleName> = Extract<Sentence, { rule: R }>

/** How a box behaves on air: sentences in their order, each of which can be switched off. */
export const boxPolicy = z.array(sentence).max(40, 'a policy has at most 40 sentences')
export type BoxPolicy = z.infer<typeof boxPolicy>

/**
 * What a new box begins with: what a flood needs that nobody was there to foresee.
 */
export const usualPolicy: BoxPolicy = [
  { rule: 'gap', isOn: true, ms: 400 },
  {
    rule: 'order',
    isOn: true,
    of: [
      { kind: 'raid', from: null },
      { kind: 'tip', from: 2000 },
    ],
    steps: 2,
  },
  { rule: 'merge', isOn: true, kinds: ['follow'], withinMs: 10_000, below: null, isEvenWritten: false },
  { rule: 'gifts', isOn: true },
  { rule: 'elastic', isOn: true, waiting: 8, lastMs: null },
  { rule: 'airtime', isOn: false, percent: 60 },
  { rule: 'age', isOn: true, kinds: null, ms: 180_000 },
]

/** How a box's queue behaves: its policy, made ready to be asked, and what is the same for all. Times in milliseconds. */
export interface QueuePolicy {
  /** Quiet time between two plays. */
  gapMs: number
  orders: readonly OrderSentence[]
  ages: readonly AgeSentence[]
  merges: readonly MergeSentence[]
  takesGifts: boolean
  elastic: ElasticSentence | null
  /** Null: as much as there is. */
  airtimePercent: number | null
  beside: BesideSentence | null
  quiets: readonly QuietSentence[]
  approves: readonly ApproveSentence[]
  /** More than this many never wait. */
  waitingMax: number
  /** A play that waited longer than this while no source was connected is not shown late. */
  awayMaxMs: number
  /** Sources that are not ready by then join late; the others start. */
  prepareMaxMs: number
  /** No source ready by then: the play is given up. */
  giveUpMs: number
  /** What could not be prepared for the moment is tried again after this. */
  stallMs: number
  /** What nobody has let be read by then is shown without being read. */
  approvalMaxMs: number
}

/** What holds where no sentence says otherwise: one after another, in order of arrival. */
export const plainPolicy: QueuePolicy = {
  gapMs: 400,
  orders: [],
  ages: [],
  merges: [],
  takesGifts: false,
  elastic: null,
  airtimePercent: null,
  beside: null,
  quiets: [],
  approves: [],
  waitingMax: 3_000,
  awayMaxMs: 120_000,
  prepareMaxMs: 4_000,
  giveUpMs: 20_000,
  stallMs: 1_000,
  approvalMaxMs: 300_000,
}

/** A policy made ready. Of rules that there can be only one of, the first that is on counts. */
export function readyPolicy(policy: BoxPolicy): QueuePolicy {
  const on = <R extends RuleName>(rule: R) =>
    policy.filter((each): each is SentenceOf<R> => each.rule === rule && each.isOn)
  return {
    ...plainPolicy,
    gapMs: on('gap')[0]?.ms ?? plainPolicy.gapMs,
    orders: on('order'),
    ages: on('age'),
    merges: on('merge'),
    takesGifts: on('gifts').length > 0,
    elastic: on('elastic')[0] ?? null,
    airtimePercent: on('airtime')[0]?.percent ?? null,
    beside: on('beside')[0] ?? null,
    quiets: on('quiet'),
    approves: on('approve'),
    waitingMax: on('room')[0]?.atMost ?? plainPolicy.waitingMax,
  }
}

/** Whether what comes while a line is held is let go. */
export const letsGoWhileHeld = ({ quiets }: Pick<QueuePolicy, 'quiets'>): boolean =>
  quiets.find(({ when }) => when.is === 'held')?.does === 'letGo'

/** What of a policy a pack carries: when it is quiet is a matter of whoever shows the box, and so are names of scenes. */
export const handedOnPolicy = (policy: BoxPolicy): BoxPolicy => policy.filter(({ rule }) => rule !== 'quiet')
