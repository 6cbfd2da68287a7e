import { isBlock, stepsOf, type Block, type Step } from '../sheet/schema.ts'
import type { Trigger } from '../triggers/schema.ts'
import type { TakenPack } from './takenPack.ts'

/** What stands for the box of a pack in the sheets of its triggers. */
const packBox = 'pack'

/** What a step does in a box; null for what it does elsewhere. */
const boxOf = (step: Step): string | null => (step.do === 'play' || step.do === 'sound' ? step.boxId : null)

/** A sheet with its steps changed; those that become null go, and blocks that are then empty. */
function changeSteps(sheet: Block, change: (step: Step) => Step | null): Block {
  return {
    do: sheet.do,
    of: sheet.of.flatMap((node) => {
      if (!isBlock(node)) return change(node) ?? []
      const inside = changeSteps(node, change)
      return inside.of.length > 0 ? inside : []
    }),
  }
}

/** The triggers of a channel that go along with a pack of a box: whatever plays something of it. */
export const triggersOfBox = (triggers: readonly Trigger[], boxId: string): Trigger[] =>
  triggers.filter(({ sheet }) => stepsOf(sheet).some((step) => boxOf(step) === boxId))

/**
 * Triggers as a pack carries them: unarmed and without a price. What belongs to the channel that they were made in stays
 * there: rewards, keys, names of viewers, addresses on the web, other boxes, triggers that do not go along, and how many
 * there are left.
 */
export function packTriggers(triggers: readonly Trigger[], boxId: string): Trigger[] {
  const along = new Set(triggers.map(({ id }) => id))
  return triggers.map((trigger) => ({
    ...trigger,
    isArmed: false,
    starts: trigger.starts.flatMap((start) => {
      if (start.by === 'reward') return []
      return start.by === 'hand' ? { ...start, key: null } : start
    }),
    gate: { ...trigger.gate, who: withoutNames(trigger.gate.who), cost: 0 },
    sheet: changeSteps(trigger.sheet, (step) => {
      if (step.do === 'webhook') return null
      if (step.do === 'sheet') return along.has(step.triggerId) ? step : null
      if (step.do !== 'play' && step.do !== 'sound') return step
      return step.boxId === boxId ? { ...step, boxId: packBox } : null
    }),
  }))
}

function withoutNames(who: Trigger['gate']['who']): Trigger['gate']['who'] {
  const of = who?.of.filter(({ is }) => is !== 'named') ?? []
  return who && of.length > 0 ? { ...who, of } : null
}

/** Triggers that somebody's pack brought, held to what a pack carries, whatever made it. */
export const readPacked = (triggers: readonly Trigger[]): Trigger[] => packTriggers(triggers, packBox)

/** The sounds that sheets of a pack's triggers play by themselves. */
export const soundsOfTriggers = (triggers: readonly Trigger[]): string[] =>
  triggers.flatMap(({ sheet }) => stepsOf(sheet).flatMap((step) => (step.do === 'sound' ? [step.mediaId] : [])))

/** Triggers of a pack with files that are called otherwise here. */
export const withSounds = (triggers: readonly Trigger[], here: (mediaId: string) => string): Trigger[] =>
  triggers.map((trigger) => ({
    ...trigger,
    sheet: changeSteps(trigger.sheet, (step) =>
      step.do === 'sound' ? { ...step, mediaId: here(step.mediaId) } : step,
    ),
  }))

/**
 * Triggers of a pack as a channel gets them, playing what a box has taken of it. What was not taken is not played.
 * @param newId gives each an id of its own
 */
export function standTriggers(
  triggers: readonly Trigger[],
  alerts: TakenPack['alerts'],
  boxId: string,
  newId: () => string,
): Trigger[] {
  const ids = new Map(triggers.map(({ id }) => [id, newId()]))
  return triggers.map((trigger) => ({
    ...trigger,
    id: ids.get(trigger.id) ?? trigger.id,
    sheet: changeSteps(trigger.sheet, (step) => {
      if (step.do === 'sheet') return { ...step, triggerId: ids.get(step.triggerId) ?? step.triggerId }
      if (step.do === 'sound') return { ...step, boxId }
      if (step.do !== 'play') return step
      const alertId = alerts[step.alertId]
      if (alertId === undefined) return null
      // A case is named anew with its alert's ending.
      const ending = alertId.slice(step.alertId.length)
      return { ...step, boxId, alertId, variationId: step.variationId === null ? null : `${step.variationId}${ending}` }
    }),
  }))
}
