import type { CanonicalEvent } from '../events/schema.ts'
import { kindOf } from '../events/kinds.ts'

/** What somebody wants an alert to be shown with; what they left open is as in the sample beside. */
export interface OwnSample {
  name: string
  message: string
  /** The number that the kind is mostly about, in the units in which it is shown; null: as in the sample. */
  number: number | null
  /** BCP 47; null: the channel's language. */
  locale: string | null
  /** Something that happened, in the place of all that is typed. */
  past: CanonicalEvent | null
}

export const nothingTyped: OwnSample = { name: '', message: '', number: null, locale: null, past: null }

const lettersMost = 500

/** A sample with what somebody typed; one that carries no such thing stays without. What they typed is text. */
export function withTyped(event: CanonicalEvent, { name, message, number, past }: OwnSample): CanonicalEvent {
  if (past) return past
  const data: Record<string, unknown> = { ...event.data }
  const { mainNumber, isWithoutViewer, variables } = kindOf(event.kind)
  const typedName = name.trim().slice(0, lettersMost)
  if (typedName !== '' && !isWithoutViewer) data.viewer = { id: 'sample-typed', name: typedName }
  const typedMessage = message.trim().slice(0, lettersMost)
  if (typedMessage !== '' && variables.some((each) => each.name === 'message'))
    data.message = { text: typedMessage, emotes: [] }
  if (number !== null && mainNumber && Number.isFinite(number)) {
    const { field, per, most } = mainNumber
    data[field] = Math.round(Math.min(most, Math.max(1 / per, number)) * per)
  }
  // Its kind stays, and with it what its data may hold; the compiler cannot follow that through the union.
  return { ...event, externalId: `${event.externalId}-typed`, data } as CanonicalEvent
}
