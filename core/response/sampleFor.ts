import { chosenBy, mainKind, playedBy, type Alert, type Variation } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import { sampleEvent, type SampleName } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { exampleOf } from '../rules/exampleOf.ts'
import type { ChannelContext } from '../rules/values.ts'
import { sampleTogether } from './brings.ts'
import { withTyped, type OwnSample } from './ownSample.ts'

/** What an alert is shown with. */
export interface Sample {
  viewer: SampleName
  /** Which of an alert's kinds; null: the first. */
  kind: EventKind | null
  /** What the viewer chose where the alert offers something. */
  choice: string | null
  /** Who did it, where not the sample viewer. */
  name?: string
  /** What somebody typed or took of what happened; absent: nothing. */
  own?: OwnSample | null
}

/**
 * A sample event that a case would really be chosen for; what no event chooses is shown for one that its own rule holds for.
 * Cost: that of `exampleOf`, some ten milliseconds at most.
 */
export function sampleFor(
  alert: Alert,
  variation: Variation,
  { viewer, kind, choice, name, own }: Sample,
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
  const ready = example?.event ?? sampleOf(first)
  const made = own ? withTyped(ready, own) : ready
  return variation.isForSeveral ? { ...made, together: sampleTogether(made, channel, viewer) } : made
}
