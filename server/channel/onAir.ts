import type { BoxOnAir, ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { historyKindsOf } from '../../core/rules/historyKinds.ts'
import { usualCalls } from '../../core/triggers/settings.ts'
import { factsOf } from '../../contract/mediaFacts.ts'
import { readSettings, rulesInEffect, type SpeechSettings } from '../../core/speech/settings.ts'
import { visibleText } from '../../core/speech/visibleText.ts'
import { findBlocked } from '../../core/speech/words/findBlocked.ts'
import type { MediaFacts } from '../../core/score/mediaFacts.ts'
import type { Database } from '../db/handle.ts'
import { findVersion, listBoxesAndBoards } from '../db/queries/boxes.ts'
import { listFeeds } from '../db/queries/feeds.ts'
import { listPlayableMedia } from '../db/queries/media.ts'
import { listCountedGoals } from '../db/queries/goals.ts'
import { readChannel } from '../db/queries/people.ts'
import { listTriggers } from '../db/queries/triggers.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import { findTipPage } from '../db/queries/tips.ts'
import { addressTrigger } from '../triggers/addressTrigger.ts'
import { blockedFor } from '../speech/wordLists.ts'
import { KeptPromises } from '../system/keptPromises.ts'

/** Words that the lists of the channel's language and of English have something against. Which language they are in is not guessed. */
function flagger(speech: SpeechSettings, locale: string): (words: string) => boolean {
  const rules = rulesInEffect(speech)
  const languages = [locale.split('-')[0] ?? 'en', 'en']
  return (words) => findBlocked(visibleText(words), blockedFor(rules, languages)).length > 0
}

/** Keeps what is on air at hand, so that deciding an event asks the database nothing. Forgotten on every change. */
export class OnAirCache {
  private readonly channels = new KeptPromises<string, ChannelOnAir>()
  /** Told of what is forgotten here, whoever said so; null: of all channels. */
  private readonly listeners: ((channelId: string | null) => void)[] = []

  constructor(
    private readonly db: Database,
    /** Told of what is forgotten here, so that others forget it too. */
    private readonly onForget: (channelId: string) => void = () => undefined,
    /** The address of one of a channel's own pages. */
    private readonly pageUrl: (page: 'list' | 'tip', channelId: string) => string = (page, channelId) =>
      `/${page}/${channelId}`,
  ) {}

  read(channelId: string): Promise<ChannelOnAir> {
    return this.channels.get(channelId, () => this.load(channelId))
  }

  /** Something of what is on air, of files, feeds or settings has changed. */
  forget(channelId: string): void {
    this.forgetHere(channelId)
    this.onForget(channelId)
  }

  /** Another process said so. @param channelId null: of all channels */
  forgetHere(channelId: string | null): void {
    if (channelId === null) this.channels.clear()
    else this.channels.forget(channelId)
    for (const listener of this.listeners) listener(channelId)
  }

  /** Has somebody told whenever something of a channel is not as it was known. */
  listen(listener: (channelId: string | null) => void): void {
    this.listeners.push(listener)
  }

  private async load(channelId: string): Promise<ChannelOnAir> {
    const channel = await readChannel(this.db, channelId)
    if (!channel) throw new Error(`OnAirCache: there is no channel ${channelId}`)
    const boxes: BoxOnAir[] = []
    const boards: BoxOnAir[] = []
    for (const box of await listBoxesAndBoards(this.db, channelId)) {
      const version = box.onAirVersionId ? await findVersion(this.db, box.onAirVersionId) : null
      ;(box.isBoard ? boards : boxes).push({
        boxId: box.id,
        version: version ? { id: version.id, document: version.document } : null,
      })
    }
    const media: Record<string, MediaFacts> = {}
    for (const file of await listPlayableMedia(this.db, channelId)) media[file.id] = factsOf(file)
    const platforms: Record<string, string> = {}
    for (const { id, platform } of await listFeeds(this.db, channelId)) platforms[feedSource(id)] = platform
    const { locale, currency, rates, timeZone, weekStart, pageColours } = channel
    const calls = channel.calls ?? usualCalls
    const tips = (await findTipPage(this.db, channelId))?.page
    const triggers = [
      ...(await listTriggers(this.db, channelId)),
      addressTrigger('list-for-viewers', calls.listWord, this.pageUrl('list', channelId)) ?? [],
      addressTrigger('tip-page', tips?.isOpen ? tips.word : '', this.pageUrl('tip', channelId)) ?? [],
    ].flat()
    const speech = readSettings(channel.speech)
    return {
      locale,
      currency,
      rates,
      timeZone,
      weekStart,
      pageColours,
      platforms,
      speech,
      flags: flagger(speech, locale),
      historyKinds: historyKindsOf(boxes.flatMap(({ version }) => version?.document ?? [])),
      boxes,
      boards,
      media,
      triggers,
      calls,
      // The basis was read first: it is never newer than what is counted by.
      goals: { basis: channel.goalsBasis, counted: await listCountedGoals(this.db, channelId) },
    }
  }
}
