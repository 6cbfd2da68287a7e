import type { BoxDocument } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import type { Goal } from '../goal/schema.ts'
import type { MediaFacts } from '../score/mediaFacts.ts'
import type { SpeechSettings } from '../speech/settings.ts'
import type { PageColours } from '../tip/pageLook.ts'
import type { Trigger } from '../triggers/schema.ts'
import type { CallSettings } from '../triggers/settings.ts'

/** A box as events meet it: the version that is on air, null when there is none. */
export interface BoxOnAir {
  boxId: string
  version: { id: string; document: BoxDocument } | null
}

/** What responding to an event needs to know of its channel. */
export interface ChannelOnAir {
  locale: string
  currency: string
  rates: Record<string, number>
  timeZone: string
  /** The day that its week begins with: 1 Monday to 7 Sunday. */
  weekStart: number
  /** What its public pages are coloured after; null: as its alerts. */
  pageColours: PageColours | null
  /** Platforms by what their events name as source. */
  platforms: Record<string, string>
  /** Kinds whose rules on air ask when the viewer was here last. */
  historyKinds: ReadonlySet<EventKind>
  boxes: BoxOnAir[]
  /** What stays on the screen: no event sets it off. */
  boards: BoxOnAir[]
  /** How the channel reads aloud. */
  speech: SpeechSettings
  /** Whether a viewer's words have something in them that the channel does not read. */
  flags: (words: string) => boolean
  media: Record<string, MediaFacts>
  /** What viewers can set off, in its order. */
  triggers: readonly Trigger[]
  calls: CallSettings
  goals: GoalsCounted
}

/** What events may count in. `basis` counts up with everything that decides what they bring. */
export interface GoalsCounted {
  basis: number
  counted: readonly Goal[]
}
