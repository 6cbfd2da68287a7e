import type { CanonicalEvent } from '../events/schema.ts'
import { comparableMinor, type ChannelContext } from '../rules/values.ts'
import type { PointsRules } from './schema.ts'

/**
 * What an event earns its viewer: nothing for one that nobody did, and for an amount of a currency without a rate. What
 * is earned per amount is rounded down.
 */
export function earnedBy(
  event: CanonicalEvent,
  rules: PointsRules,
  channel: Pick<ChannelContext, 'currency' | 'rates'>,
): number {
  const rule = rules.earned.find(({ kind }) => kind === event.kind)
  if (!rule || !event.data.viewer) return 0
  if (rule.perMinor === null) return rule.points
  const { data } = event
  if (!('amountMinor' in data)) return 0
  const minor = comparableMinor(data.amountMinor, data.currency, channel)
  return minor === undefined ? 0 : Math.floor(minor / rule.perMinor) * rule.points
}

/**
 * What presence earns between two moments of the steady clock: for each whole stretch of time that ended in between,
 * counted from when the viewer came.
 */
export function earnedByPresence(rules: PointsRules, cameMs: number, fromMs: number, untilMs: number): number {
  if (!rules.presence) return 0
  const { points, everyMs } = rules.presence
  const stretches = (atMs: number) => Math.floor(Math.max(0, atMs - cameMs) / everyMs)
  return Math.max(0, stretches(untilMs) - stretches(fromMs)) * points
}
