import type { CanonicalEvent } from '../events/schema.ts'
import type { ReadableRole, SpeechLimits } from './settings.ts'

/**
 * Something that was read aloud lately: once for each event, in however many boxes it plays. `viewerId` null: nobody is
 * named.
 */
export interface Reading {
  eventId: string
  atMs: number
  viewerId: string | null
  text: string
}

/** What the roles are called by which platforms and scripts say who somebody is. */
const rolesOf: Record<ReadableRole, readonly string[]> = {
  everyone: [],
  moderators: ['moderator', 'broadcaster', 'owner'],
  vips: ['vip', 'moderator', 'broadcaster', 'owner'],
  subscribers: ['subscriber', 'member', 'vip', 'moderator', 'broadcaster', 'owner'],
}

const whoseWords: Record<ReadableRole, string> = {
  everyone: 'everybody',
  subscribers: 'subscribers and members',
  vips: 'VIPs',
  moderators: 'moderators',
}

/** Kinds whose viewers are subscribers or members by what they do. */
const subscribing: ReadonlySet<string> = new Set(['subscription', 'resubscription', 'membership', 'membershipRenewal'])

/** What of two texts has to be the same for one to repeat the other. */
export const sameWords = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/**
 * Why what a viewer wrote is not read, whatever it says: too small an amount, not a subscriber, too often, said before.
 * @param amountMinor in the channel's currency; null where the event has no amount or its currency has no rate
 * @param recent what was read of this channel lately for other events, in any order
 * @returns one sentence; null where it may be read
 */
export function limitReason(
  { kind, data }: Pick<CanonicalEvent, 'kind' | 'data'>,
  text: string,
  amountMinor: number | null,
  limits: SpeechLimits,
  recent: readonly Reading[],
  nowMs: number,
): string | null {
  const { leastMinor, whose, perViewer, perViewerMinutes, repeatMinutes } = limits
  if (leastMinor > 0 && 'amountMinor' in data && (amountMinor ?? 0) < leastMinor)
    return 'The amount is below what is read here.'
  const isAllowed =
    whose === 'everyone' ||
    (whose === 'subscribers' && subscribing.has(kind)) ||
    (data.viewer?.roles ?? []).some((role) => rolesOf[whose].includes(role.toLowerCase()))
  if (!isAllowed) return `Only ${whoseWords[whose]} are read here.`
  const since = (minutes: number) => recent.filter(({ atMs }) => atMs > nowMs - minutes * 60_000 && atMs <= nowMs)
  const viewerId = data.viewer?.id ?? null
  if (
    perViewer > 0 &&
    viewerId !== null &&
    since(perViewerMinutes).filter((each) => each.viewerId === viewerId).length >= perViewer
  ) {
    return `${data.viewer?.name ?? 'This viewer'} was read ${perViewer === 1 ? 'once' : `${perViewer} times`} in ${perViewerMinutes} minutes.`
  }
  if (repeatMinutes > 0 && since(repeatMinutes).some((each) => sameWords(each.text) === sameWords(text)))
    return `The same was read less than ${repeatMinutes} minutes ago.`
  return null
}
