import { chosenBy, mainKind, playedBy, type Alert, type Variation } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import { sampleEvent, type SampleName } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { exampleOf } from '../rules/exampleOf.ts'
import type { ChannelContext } from '../rules/values.ts'
import { sampleTogether } from './brings.ts'

/** What an alert is shown with. */
export interface Sample {
  viewer: SampleName
  /** Which of an alert's kinds; null: the first. */
  kind: EventKind | null
  /** What the viewer chose where the alert offers something. */
  choice: string | null
  /** Who did it, where not the sample viewer. */
  name?: string
}

/**
 * A sample event that a case would really be chosen for; what no event chooses is shown for one that its own rule holds for.
 * Cost: that of `exampleOf`, some ten milliseconds at most.
 */
export function sampleFor(
  alert: Alert,
  variation: Variation,
  { viewer, kind, choice, name }: Sample,
  channel: ChannelContext,
  atMs: number,
): CanonicalEvent {
  const sampleOf = (of: EventKind) => {
    const made = sampleEvent(of, viewer, atMs)
    const named = name !== undefined && made.data.viewer ? { viewer: { ...made.data.viewer, name } } : {}
    return { ...made, data: { ...made.data, ...named, ...(choice === null ? {} : { choice }) } } as CanonicalEvent
  }
  const first = kind ?? mainKind(alert)
  const kinds = [first, ...alert.kinds.filter((each) => each !== first)]
  const among = playedBy(variation) === 'events' ? chosenBy(alert) : [variation]
  const example = exampleOf({ kinds, offer: alert.offer }, among, sampleOf, variation.id, channel)
  const made = example?.event ?? sampleOf(first)
  return variation.isForSeveral ? { ...made, together: sampleTogether(made, channel, viewer) } : made
}
