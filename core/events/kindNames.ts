import { eventKinds, kindOf, type EventKind } from './kinds.ts'

/** How each kind is called, in the interface and in sentences. */
export const kindNames = Object.fromEntries(eventKinds.map((kind) => [kind, kindOf(kind).name])) as Record<
  EventKind,
  string
>
