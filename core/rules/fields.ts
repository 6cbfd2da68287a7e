import type { EventKind } from '../events/kinds.ts'

/** Something about an event that a rule may ask for. */
export type RuleField =
  /** Whole numbers from nought. `unit` follows a number in a sentence. */
  | { id: string; type: 'number'; words: string; unit: string }
  /** An amount, compared in minor units of the channel's currency. */
  | { id: string; type: 'money'; words: string }
  | { id: string; type: 'choice'; words: string; options: readonly { value: string; words: string }[] }
  | { id: string; type: 'text'; words: string }

/** Beyond it no count, sum or amount is told apart. */
export const largestNumber = 1_000_000_000

const number = (id: string, words: string, unit = ''): RuleField => ({ id, type: 'number', words, unit })
const months = number('months', 'months')
const tier: RuleField = { id: 'tier', type: 'choice', words: 'the tier', options: [{ value: '1', words: 'I' }, { value: '2', words: 'II' }, { value: '3', words: 'III' }] }
const amount: RuleField = { id: 'amount', type: 'money', words: 'the amount' }
const known: RuleField = { id: 'viewer', type: 'choice', words: 'the viewer', options: [{ value: 'named', words: 'named' }, { value: 'anonymous', words: 'anonymous' }] }
const message: RuleField = { id: 'message', type: 'text', words: 'the message' }
const level: RuleField = { id: 'level', type: 'text', words: 'the level' }
const surge = [number('level', 'the level'), number('points', 'the total', 'points')]
const goal: RuleField = { id: 'goal', type: 'text', words: 'the goal' }

/** What rules may ask of each kind of event. The first numeric one is the axis on which its coverage is drawn. */
export const fieldsOfKind: Record<EventKind, readonly RuleField[]> = {
  follow: [],
  subscription: [months, tier, message],
  resubscription: [months, tier, number('streak', 'months in a row'), message],
  giftBatch: [number('count', 'the number of gifts', 'gifts'), tier, known],
  giftRecipient: [tier, known],
  membership: [months, level, message],
  membershipRenewal: [months, level, message],
  tip: [amount, known, message],
  paidMessage: [amount, message],
  charityDonation: [amount, known, message],
  applause: [number('points', 'the applause', 'points'), message],
  raid: [number('party', 'the party', 'guests')],
  purchase: [amount, number('count', 'the quantity', 'pieces'), { id: 'item', type: 'text', words: 'the item' }],
  surgeStarted: surge,
  surgeLevelled: surge,
  surgeEnded: surge,
  goalStarted: [amount, goal],
  goalReached: [amount, goal],
  redemption: [number('cost', 'the cost', 'points'), { id: 'reward', type: 'text', words: 'the reward' }, { id: 'input', type: 'text', words: 'what was typed' }],
  chatCommand: [{ id: 'command', type: 'text', words: 'the command' }, { id: 'arguments', type: 'text', words: 'what followed' }],
}

export const fieldOf = (kind: EventKind, id: string): RuleField | null => fieldsOfKind[kind].find((field) => field.id === id) ?? null
