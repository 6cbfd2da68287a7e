import { createHash } from 'node:crypto'
import { isbot } from 'isbot'
import { localMoment } from '../../core/time/localMoment.ts'
import type { Database } from '../db/handle.ts'
import { countClick, saltOf, type CampaignRow } from '../db/queries/sponsors.ts'
import { dropOldest } from '../../core/dropOldest.ts'

/** Who follows a link, as far as it is told from others. */
export interface Follower {
  address: string
  userAgent: string
  /** Looked at ahead, or only asked for: by browsers that guess, and by programs. */
  isOnlyLooking: boolean
}

const knownMost = 20_000

/** Counts those who follow the links of campaigns: each visitor once a day, and no robots. */
export class Clicks {
  /** What was counted here already: asked again, the database is left alone. */
  private readonly known = new Set<string>()
  private salt: { day: number; of: Promise<string> } | null = null

  constructor(
    private readonly db: Database,
    private readonly now: () => number,
    private readonly onCounted: (channelId: string) => void,
  ) {}

  /** @returns whether it was counted */
  async follow(row: CampaignRow, { address, userAgent, isOnlyLooking }: Follower, timeZone: string): Promise<boolean> {
    const nowMs = this.now()
    const { untilMs, isPaused } = row.document
    const isOver = untilMs !== null && nowMs >= untilMs
    if (isOnlyLooking || isPaused || isOver || row.removedAt || userAgent === '' || isbot(userAgent)) return false
    const { day } = localMoment(nowMs, timeZone)
    const mark = createHash('sha256')
      .update([await this.saltOn(day), row.channelId, row.id, address, userAgent].join('\n'))
      .digest('base64url')
    if (this.known.has(mark)) return false
    this.known.add(mark)
    dropOldest(this.known, knownMost)
    const isNew = await countClick(this.db, row, day, mark).catch((error: unknown) => {
      // Not counted yet: whoever comes again is.
      this.known.delete(mark)
      throw error
    })
    if (isNew) this.onCounted(row.channelId)
    return isNew
  }

  private saltOn(day: number): Promise<string> {
    if (this.salt?.day !== day) {
      const of = saltOf(this.db, day)
      this.salt = { day, of }
      of.catch(() => (this.salt = null))
    }
    return this.salt.of
  }
}
