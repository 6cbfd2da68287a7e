import { assertNever } from '../assertNever.ts'
import { formatMoney } from '../money.ts'
import type { EventKind } from './kinds.ts'
import type { CanonicalEvent } from './schema.ts'

/** A variable that a kind of event offers to templates. */
export interface VariableDeclaration {
  name: string
  /** What a first-timer reads beside it. */
  means: string
}

const name: VariableDeclaration = { name: 'name', means: 'who did it' }
const message: VariableDeclaration = { name: 'message', means: 'what they wrote' }
const amount: VariableDeclaration = { name: 'amount', means: 'the amount with its currency' }
const months: VariableDeclaration = { name: 'months', means: 'how many months' }
const tier: VariableDeclaration = { name: 'tier', means: 'the tier, I to III' }
const count: VariableDeclaration = { name: 'count', means: 'how many' }
const level: VariableDeclaration = { name: 'level', means: 'the level reached' }
const points: VariableDeclaration = { name: 'points', means: 'how many points' }
const goal: VariableDeclaration = { name: 'goal', means: 'what the goal is called' }

/** Which variables each kind carries. Editors complete from this table and sample events fill it. */
export const variablesOfKind: Record<EventKind, readonly VariableDeclaration[]> = {
  follow: [name],
  subscription: [name, tier, months, message],
  resubscription: [name, tier, months, { name: 'streak', means: 'months in a row' }, message],
  giftBatch: [name, count, tier],
  giftRecipient: [name, { name: 'recipient', means: 'who received it' }, tier],
  membership: [name, level, months, message],
  membershipRenewal: [name, level, months, message],
  tip: [name, amount, message],
  paidMessage: [name, amount, message],
  charityDonation: [name, amount, message],
  applause: [name, points, message],
  raid: [name, { name: 'party', means: 'how many came along' }],
  purchase: [name, { name: 'item', means: 'what was bought' }, count, amount],
  surgeStarted: [level, points],
  surgeLevelled: [level, points],
  surgeEnded: [level, points],
  goalStarted: [goal, amount],
  goalReached: [goal, amount],
  redemption: [name, { name: 'reward', means: 'the reward' }, { name: 'cost', means: 'its price in points' }, { name: 'input', means: 'what the viewer typed' }],
  chatCommand: [name, { name: 'command', means: 'the command' }, { name: 'arguments', means: 'what followed it' }],
}

const tierNumerals = ['', 'I', 'II', 'III']

/** What the values of an event are called when nobody is named. */
const anonymousName = 'Somebody'

/**
 * The text that each variable stands for, written the way the channel's locale writes numbers and money.
 * A variable that this event does not carry is absent.
 */
export function valuesOf(event: CanonicalEvent, locale: string): Record<string, string> {
  const number = (value: number) => new Intl.NumberFormat(locale).format(value)
  const values: Record<string, string> = { name: event.data.viewer?.name || anonymousName }
  if (event.data.message) values.message = event.data.message.text
  switch (event.kind) {
    case 'follow':
      return values
    case 'subscription':
      return { ...values, tier: tierNumerals[event.data.tier] ?? '', months: number(event.data.months) }
    case 'resubscription':
      return {
        ...values,
        tier: tierNumerals[event.data.tier] ?? '',
        months: number(event.data.months),
        ...(event.data.streakMonths === undefined ? {} : { streak: number(event.data.streakMonths) }),
      }
    case 'giftBatch':
      return { ...values, tier: tierNumerals[event.data.tier] ?? '', count: number(event.data.count) }
    case 'giftRecipient':
      return { ...values, tier: tierNumerals[event.data.tier] ?? '', recipient: event.data.recipient.name }
    case 'membership':
    case 'membershipRenewal':
      return { ...values, level: event.data.levelName, months: number(event.data.months) }
    case 'tip':
    case 'paidMessage':
    case 'charityDonation':
      return { ...values, amount: formatMoney(event.data.amountMinor, event.data.currency, locale) }
    case 'applause':
      return { ...values, points: number(event.data.points) }
    case 'raid':
      return { ...values, party: number(event.data.partySize) }
    case 'purchase':
      return {
        ...values,
        item: event.data.item,
        count: number(event.data.quantity),
        amount: formatMoney(event.data.amountMinor, event.data.currency, locale),
      }
    case 'surgeStarted':
    case 'surgeLevelled':
    case 'surgeEnded':
      return { ...values, level: number(event.data.level), points: number(event.data.totalPoints) }
    case 'goalStarted':
    case 'goalReached':
      return { ...values, goal: event.data.goalTitle, amount: formatMoney(event.data.targetMinor, event.data.currency, locale) }
    case 'redemption':
      return {
        ...values,
        reward: event.data.reward.title,
        cost: number(event.data.reward.costPoints),
        ...(event.data.input === undefined ? {} : { input: event.data.input }),
      }
    case 'chatCommand':
      return { ...values, command: event.data.command, ...(event.data.arguments === undefined ? {} : { arguments: event.data.arguments }) }
    default:
      return assertNever(event)
  }
}
