import { kindDefinitions, type EventKind } from './kinds.ts'

/** Kinds of events that bring money: what they bring stands in their data as an amount with its currency. */
export const moneyKinds = (Object.keys(kindDefinitions) as EventKind[]).filter(
  (kind) => 'amountMinor' in kindDefinitions[kind].data.shape,
) as [EventKind, ...EventKind[]]

/** Whether what a kind brings is money. */
export const bringsMoney = (kind: EventKind): boolean => moneyKinds.includes(kind)
