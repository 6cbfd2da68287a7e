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

/** What the events of a button or key of the channel's own, and those of a given time, name as their source. */
export const deskSource = 'desk'
export const clockSource = 'clock'

/** Whether an event only sets a trigger off: no box has anything else to say about it. */
export const isOnlyCall = ({ source }: Pick<CanonicalEvent, 'source'>): boolean =>
  source === deskSource || source === clockSource

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
    const start = starts.find((each) => isStartedBy(each, id, event, command, circumstances, channel))
    if (!start) return []
    return [{ triggerId: id, by: start.by, input: inputOf(event), isPaid: start.by === 'reward' }]
  })
}

function isStartedBy(
  start: TriggerStart,
  triggerId: string,
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
      return event.source === deskSource && isOf(event, triggerId)
    case 'time':
      return event.source === clockSource && isOf(event, triggerId)
  }
}

const isOf = (event: CanonicalEvent, triggerId: string) =>
  event.kind === 'redemption' && event.data.reward.id === triggerId

/** The word of a command as words are compared; null where the event is none, or of another program's. */
function commandOf(event: CanonicalEvent, prefix: string): string | null {
  const [command] = typedIn(event)
  return command.startsWith(prefix) && command.length > prefix.length ? foldCase(command.slice(prefix.length)) : null
}

/** The first word of what was typed in a chat, and what follows it: platforms tell commands apart, or just hand on lines. */
function typedIn(event: CanonicalEvent): [word: string, rest: string] {
  if (event.kind === 'chatCommand') return [event.data.command, event.data.arguments ?? '']
  if (event.kind !== 'chatMessage') return ['', '']
  const [, word = '', rest = ''] = /^\s*(\S+)\s*([\s\S]*)$/u.exec(event.data.message?.text ?? '') ?? []
  return [word, rest.trim()]
}

function inputOf(event: CanonicalEvent): string {
  if (event.kind === 'redemption') return event.data.input ?? ''
  return typedIn(event)[1]
}
