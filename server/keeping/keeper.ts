import { keptForGood, type Keeping } from '../../contract/channelSettings.ts'
import type { Database } from '../db/handle.ts'
import { listKeeping } from '../db/queries/channels.ts'
import { removeOldEvents, removeOldVersions } from '../db/queries/keeping.ts'
import { forgetDeeds } from '../db/queries/trail.ts'

const dayMs = 86_400_000
const lookEveryMs = 3_600_000
/** What people did is kept for so long. */
const deedsDays = 365

/** From when on something is kept; null: from the beginning. */
export const keptSince = (days: number | null, nowMs: number): Date | null =>
  days === null ? null : new Date(nowMs - days * dayMs)

/** Lets go of what a channel keeps only so long. */
export async function letGo(db: Database, channelId: string, keeping: Keeping, nowMs: number): Promise<void> {
  const events = keptSince(keeping.historyDays, nowMs)
  const versions = keptSince(keeping.versionDays, nowMs)
  if (events) await removeOldEvents(db, channelId, events)
  if (versions) await removeOldVersions(db, channelId, versions)
}

/** Looks once an hour, while nothing is on air, for what is kept only so long. */
export class Keeper {
  private readonly timer: ReturnType<typeof setInterval>

  constructor(
    private readonly db: Database,
    private readonly isQuiet: () => boolean,
    private readonly onError: (error: unknown) => void,
  ) {
    this.timer = setInterval(() => void this.look(Date.now()), lookEveryMs)
    this.timer.unref()
  }

  close(): void {
    clearInterval(this.timer)
  }

  /** Never fails. */
  async look(nowMs: number): Promise<void> {
    if (!this.isQuiet()) return
    try {
      await forgetDeeds(this.db, new Date(nowMs - deedsDays * dayMs))
      for (const { id, keeping } of await listKeeping(this.db)) await letGo(this.db, id, keeping ?? keptForGood, nowMs)
    } catch (error) {
      this.onError(error)
    }
  }
}
