/**
 * What of a channel has changed: a line and its log, one play, its sources or its library (which nobody has to read), what
 * feeds deliver, drafts, what viewers set off, goals, what came of sponsors, or anything.
 */
export type LiveTopic =
  | `line ${string}`
  | `play ${string}`
  | 'sources'
  | 'library'
  | 'feeds'
  | 'drafts'
  | 'calls'
  | 'goals'
  | 'sponsors'
  | 'all'

/** What has to be read anew. */
export class StaleTopics {
  isAll = false
  areFeeds = false
  areDrafts = false
  areCalls = false
  areGoals = false
  areSponsors = false
  readonly boxIds = new Set<string>()
  readonly playIds = new Set<string>()

  add(topic: LiveTopic): void {
    if (topic === 'all') this.isAll = true
    else if (topic === 'feeds') this.areFeeds = true
    else if (topic === 'drafts') this.areDrafts = true
    else if (topic === 'calls') this.areCalls = true
    else if (topic === 'goals') this.areGoals = true
    else if (topic === 'sponsors') this.areSponsors = true
    else if (topic.startsWith('line ')) this.boxIds.add(topic.slice('line '.length))
    else if (topic.startsWith('play ')) this.playIds.add(topic.slice('play '.length))
  }

  /** All of another is stale here, too. */
  join(other: StaleTopics): void {
    this.isAll ||= other.isAll
    this.areFeeds ||= other.areFeeds
    this.areDrafts ||= other.areDrafts
    this.areCalls ||= other.areCalls
    this.areGoals ||= other.areGoals
    this.areSponsors ||= other.areSponsors
    for (const id of other.boxIds) this.boxIds.add(id)
    for (const id of other.playIds) this.playIds.add(id)
  }
}
