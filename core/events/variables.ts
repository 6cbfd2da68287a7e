import { assertNever } from '../assertNever.ts'
import type { TemplateValue } from '../text/templateValue.ts'
import type { EventKind } from './kinds.ts'
import type { CanonicalEvent } from './schema.ts'

/** A variable that a kind of event offers to templates. */
export interface VariableDeclaration {
  name: string
  /** What a first-timer reads beside it. */
  means: string
  /** What templates can do with it: numbers and money take plural and number forms, text takes select. */
  type: 'text' | 'number' | 'money'
}

const name: VariableDeclaration = { name: 'name', means: 'who did it', type: 'text' }
const message: VariableDeclaration = { name: 'message', means: 'what they wrote', type: 'text' }
const amount: VariableDeclaration = { name: 'amount', means: 'the amount with its currency', type: 'money' }
const months: VariableDeclaration = { name: 'months', means: 'how many months', type: 'number' }
const tier: VariableDeclaration = { name: 'tier', means: 'the tier, I to III', type: 'text' }
const count: VariableDeclaration = { name: 'count', means: 'how many', type: 'number' }
const level: VariableDeclaration = { name: 'level', means: 'the level reached', type: 'text' }
const points: VariableDeclaration = { name: 'points', means: 'how many points', type: 'number' }
const goal: VariableDeclaration = { name: 'goal', means: 'what the goal is called', type: 'text' }

/** Which variables each kind carries. Editors complete from this table and sample events fill it. */
export const variablesOfKind: Record<EventKind, readonly VariableDeclaration[]> = {
  follow: [name],
  subscription: [name, tier, months, message],
  resubscription: [name, tier, months, { name: 'streak', means: 'months in a row', type: 'number' }, message],
  giftBatch: [name, count, tier],
  giftRecipient: [name, { name: 'recipient', means: 'who received it', type: 'text' }, tier],
  membership: [name, level, months, message],
  membershipRenewal: [name, level, months, message],
  tip: [name, amount, message],
  paidMessage: [name, amount, message],
  charityDonation: [name, amount, message],
  applause: [name, points, message],
  raid: [name, { name: 'party', means: 'how many came along', type: 'number' }],
  purchase: [name, { name: 'item', means: 'what was bought', type: 'text' }, count, amount],
  surgeStarted: [level, points],
  surgeLevelled: [level, points],
  surgeEnded: [level, points],
  goalStarted: [goal, amount],
  goalReached: [goal, amount],
  redemption: [
    name,
    { name: 'reward', means: 'the reward', type: 'text' },
    { name: 'cost', means: 'its price in points', type: 'number' },
    { name: 'input', means: 'what the viewer typed', type: 'text' },
  ],
  chatCommand: [
    name,
    { name: 'command', means: 'the command', type: 'text' },
    { name: 'arguments', means: 'what followed it', type: 'text' },
  ],
  chatMessage: [name, message],
}

/** Which variables events of some kinds carry: each of them once. */
export function variablesOf(kinds: readonly EventKind[]): VariableDeclaration[] {
  return [
    ...new Map(
      kinds.flatMap((kind) => variablesOfKind[kind].map((variable) => [variable.name, variable] as const)),
    ).values(),
  ]
}

const tierNumerals = ['', 'I', 'II', 'III']

/** What the values of an event are called when nobody is named. */
const anonymousName = 'Somebody'

/** What each variable stands for. One that this event does not carry is absent. */
export function valuesOf(event: CanonicalEvent): Record<string, TemplateValue> {
  const values: Record<string, TemplateValue> = { name: event.data.viewer?.name || anonymousName }
  if (event.data.message) values.message = event.data.message.text
  switch (event.kind) {
    case 'follow':
    case 'chatMessage':
      return values
    case 'subscription':
      return { ...values, tier: tierNumerals[event.data.tier] ?? '', months: event.data.months }
    case 'resubscription':
      return {
        ...values,
        tier: tierNumerals[event.data.tier] ?? '',
        months: event.data.months,
        ...(event.data.streakMonths === undefined ? {} : { streak: event.data.streakMonths }),
      }
    case 'giftBatch':
      return { ...values, tier: tierNumerals[event.data.tier] ?? '', count: event.data.count }
    case 'giftRecipient':
      return { ...values, tier: tierNumerals[event.data.tier] ?? '', recipient: event.data.recipient.name }
    case 'membership':
    case 'membershipRenewal':
      return { ...values, level: event.data.levelName, months: event.data.months }
    case 'tip':
    case 'paidMessage':
    case 'charityDonation':
      return { ...values, amount: { amountMinor: event.data.amountMinor, currency: event.data.currency } }
    case 'applause':
      return { ...values, points: event.data.points }
    case 'raid':
      return { ...values, party: event.data.partySize }
    case 'purchase':
      return {
        ...values,
        item: event.data.item,
        count: event.data.quantity,
        amount: { amountMinor: event.data.amountMinor, currency: event.data.currency },
      }
    case 'surgeStarted':
    case 'surgeLevelled':
    case 'surgeEnded':
      return { ...values, level: event.data.level, points: event.data.totalPoints }
    case 'goalStarted':
    case 'goalReached':
      return {
        ...values,
        goal: event.data.goalTitle,
        amount: { amountMinor: event.data.targetMinor, currency: event.data.currency },
      }
    case 'redemption':
      return {
        ...values,
        reward: event.data.reward.title,
        cost: event.data.reward.costPoints,
        ...(event.data.input === undefined ? {} : { input: event.data.input }),
      }
    case 'chatCommand':
      return {
        ...values,
        command: event.data.command,
        ...(event.data.arguments === undefined ? {} : { arguments: event.data.arguments }),
      }
    default:
      return assertNever(event)
  }
}
