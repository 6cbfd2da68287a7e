import type { CanonicalEvent } from '../events/schema.ts'
import type { Circumstances } from '../rules/circumstances.ts'
import { ruleHolds } from '../rules/matches.ts'
import { ruleValuesOf, type ChannelContext } from '../rules/values.ts'
import { foldCase } from '../text/foldCase.ts'
import type { Trigger, TriggerStart } from './schema.ts'

/** A trigger that an event sets off, before its gate is asked. */
export interface TriggerCall {
  triggerId: string
  /** Which of its starts it was. */
  by: TriggerStart['by']
  /** What the viewer typed with it. */
  input: string
  /** It was paid for where it was redeemed: the channel's own points are not asked for again. */
  isPaid: boolean
}

/** What of a channel decides whether an event sets something off. */
export interface CallContext extends ChannelContext {
  /** What stands in front of a command, e.g. `!`. */
  prefix: string
}

/**
 * The triggers that an event sets off, in their order, each once: rewards by the platform's id, commands by their word or
 * an alias whatever their case, everything else by the same rules as alerts. Linear in the starts; a rule is asked only
 * where its kind fits.
 */
export function callsOf(
  event: CanonicalEvent,
  circumstances: Circumstances,
  triggers: readonly Trigger[],
  channel: CallContext,
): TriggerCall[] {
  const command = commandOf(event, channel.prefix)
  return triggers.flatMap(({ id, starts }) => {
    const start = starts.find((each) => isStartedBy(each, event, command, circumstances, channel))
    if (!start) return []
    return [{ triggerId: id, by: start.by, input: inputOf(event), isPaid: start.by === 'reward' }]
  })
}

function isStartedBy(
  start: TriggerStart,
  event: CanonicalEvent,
  command: string | null,
  circumstances: Circumstances,
  channel: ChannelContext,
): boolean {
  switch (start.by) {
    case 'reward':
      return event.kind === 'redemption' && event.source === start.source && event.data.reward.id === start.rewardId
    case 'command':
      return command !== null && [start.word, ...start.aliases].some((word) => foldCase(word) === command)
    case 'event':
      return (
        start.kinds.includes(event.kind) &&
        (start.rule === null || ruleHolds(start.rule, ruleValuesOf(event, channel, circumstances, null)))
      )
    case 'hand':
    case 'time':
      return false
  }
}

/** The word of a command as words are compared; null where the event is none, or of another program's. */
function commandOf(event: CanonicalEvent, prefix: string): string | null {
  if (event.kind !== 'chatCommand') return null
  const { command } = event.data
  return command.startsWith(prefix) ? foldCase(command.slice(prefix.length)) : null
}

function inputOf(event: CanonicalEvent): string {
  if (event.kind === 'redemption') return event.data.input ?? ''
  return event.kind === 'chatCommand' ? (event.data.arguments ?? '') : ''
}
