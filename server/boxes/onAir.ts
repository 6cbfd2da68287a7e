import type { BoxDocument } from '../../core/composition/box.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import { historyKindsOf } from '../../core/rules/historyKinds.ts'
import { factsOf } from '../../contract/mediaFacts.ts'
import { readSettings, type SpeechSettings } from '../../core/speech/settings.ts'
import type { MediaFacts } from '../../core/score/mediaFacts.ts'
import type { Database } from '../db/handle.ts'
import { findVersion, listBoxes } from '../db/queries/boxes.ts'
import { listFeeds } from '../db/queries/feeds.ts'
import { listPlayableMedia } from '../db/queries/media.ts'
import { readChannel } from '../db/queries/people.ts'
import { feedSource } from '../feeds/feedSource.ts'
import { KeptPromises } from '../system/keptPromises.ts'

/** A box as events meet it: the version that is on air, null when there is none. */
export interface BoxOnAir {
  boxId: string
  version: { id: string; document: BoxDocument } | null
}

/** What a decision needs to know of a channel. */
export interface ChannelOnAir {
  locale: string
  currency: string
  rates: Record<string, number>
  timeZone: string
  /** Platforms by what their events name as source. */
  platforms: Record<string, string>
  /** Kinds whose rules on air ask when the viewer was here last. */
  historyKinds: ReadonlySet<EventKind>
  boxes: BoxOnAir[]
  /** How the channel reads aloud. */
  speech: SpeechSettings
  media: Record<string, MediaFacts>
}

/** Keeps what is on air at hand, so that deciding an event asks the database nothing. Forgotten on every change. */
export class OnAirCache {
  private readonly channels = new KeptPromises<string, ChannelOnAir>()

  constructor(private readonly db: Database) {}

  read(channelId: string): Promise<ChannelOnAir> {
    return this.channels.get(channelId, () => this.load(channelId))
  }

  forget(channelId: string): void {
    this.channels.forget(channelId)
  }

  private async load(channelId: string): Promise<ChannelOnAir> {
    const channel = await readChannel(this.db, channelId)
    if (!channel) throw new Error(`OnAirCache: there is no channel ${channelId}`)
    const boxes: BoxOnAir[] = []
    for (const box of await listBoxes(this.db, channelId)) {
      const version = box.onAirVersionId ? await findVersion(this.db, box.onAirVersionId) : null
      boxes.push({ boxId: box.id, version: version ? { id: version.id, document: version.document } : null })
    }
    const media: Record<string, MediaFacts> = {}
    for (const file of await listPlayableMedia(this.db, channelId)) media[file.id] = factsOf(file)
    const platforms: Record<string, string> = {}
    for (const { id, platform } of await listFeeds(this.db, channelId)) platforms[feedSource(id)] = platform
    const { locale, currency, rates, timeZone } = channel
    const speech = readSettings(channel.speech)
    return {
      locale,
      currency,
      rates,
      timeZone,
      platforms,
      speech,
      historyKinds: historyKindsOf(boxes.flatMap(({ version }) => version?.document ?? [])),
      boxes,
      media,
    }
  }
}
