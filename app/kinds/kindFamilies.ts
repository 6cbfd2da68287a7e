import { eventKinds, type EventKind } from '../../core/events/kinds.ts'

/** Kinds of event that belong together, as a roll of many shows them. */
const families = {
  arrivals: ['follow', 'raid'],
  'by the month': ['subscription', 'resubscription', 'giftBatch', 'giftRecipient', 'membership', 'membershipRenewal'],
  money: ['tip', 'paidMessage', 'charityDonation', 'purchase'],
  together: ['applause', 'surgeStarted', 'surgeLevelled', 'surgeEnded', 'goalStarted', 'goalReached'],
  calls: ['redemption', 'chatCommand', 'chatMessage'],
} as const satisfies Record<string, readonly EventKind[]>

export type Family = keyof typeof families
type InAFamily = (typeof families)[Family][number]
/** The compiler refuses a kind that no family has. */
const familyOfKind: Record<InAFamily, Family> & Record<EventKind, Family> = Object.fromEntries(
  Object.entries(families).flatMap(([family, kinds]) => kinds.map((kind) => [kind, family])),
) as Record<EventKind, Family>

/** Things by the family of their kind, in the order of families and, within one, of kinds. */
export function byFamily<Of>(list: readonly Of[], kindOf: (of: Of) => EventKind): { family: Family; of: Of[] }[] {
  const order = (of: Of) => eventKinds.indexOf(kindOf(of))
  return (Object.keys(families) as Family[]).flatMap((family) => {
    const own = list.filter((each) => familyOfKind[kindOf(each)] === family)
    return own.length > 0 ? [{ family, of: own.sort((a, b) => order(a) - order(b)) }] : []
  })
}
