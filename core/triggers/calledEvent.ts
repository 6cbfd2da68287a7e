import type { CanonicalEvent } from '../events/schema.ts'
import { stepsOf } from '../sheet/schema.ts'
import type { Trigger } from './schema.ts'

/** A trigger as a score that it plays knows it: `{reward}`, `{cost}`, `{input}`. */
export interface Called {
  triggerId: string
  name: string
  cost: number
  input: string
}

/**
 * What a score that a trigger plays is shown for. Whatever set it off, it is as if somebody had redeemed it: the same
 * variables are there for a reward, a command and a button. A redemption stays what it is.
 */
export function calledEvent(event: CanonicalEvent, { triggerId, name, cost, input }: Called): CanonicalEvent {
  if (event.kind === 'redemption') return event
  const { source, externalId, occurredAtMs, data } = event
  return {
    ...{ source, externalId, occurredAtMs },
    kind: 'redemption',
    data: {
      viewer: data.viewer,
      ...(data.message ? { message: data.message } : {}),
      reward: { id: triggerId, title: name, costPoints: cost },
      ...(input === '' ? {} : { input }),
    },
  }
}

/** The boxes in whose lines a trigger plays something. */
export const boxesPlayed = ({ sheet }: Pick<Trigger, 'sheet'>): string[] => [
  ...new Set(stepsOf(sheet).flatMap((step) => (step.do === 'play' && !step.isBeside ? [step.boxId] : []))),
]

/** Whether anything of a sheet needs a studio. */
export const needsStudio = ({ sheet }: Pick<Trigger, 'sheet'>): boolean =>
  stepsOf(sheet).some((step) => step.do === 'scene' || step.do === 'source' || step.do === 'text')
