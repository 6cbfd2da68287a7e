import type { Database } from '../db/handle.ts'
import { addRemovals } from '../db/queries/boards.ts'
import type { Removal } from '../feeds/adapter.ts'
import { BoardKeeper, type BoardKeeperDependencies } from './boardKeeper.ts'
import { removalRows } from './removalRows.ts'
import { SliceReader, type SaidEvent, type SliceReaderDependencies } from './sliceReader.ts'

interface BoardsOptions extends SliceReaderDependencies, Omit<BoardKeeperDependencies, 'reader'> {
  db: Database
  /** Says to other processes that something happened. */
  tellOthers: (channelId: string) => void
}

/** What boards are told, and who tells them. */
export function startBoards({ tellOthers, ...options }: BoardsOptions) {
  const sliceReader = new SliceReader(options)
  const boards = new BoardKeeper({ ...options, reader: sliceReader })
  return {
    ...{ boards, sliceReader },
    /** What was kept is told the boards here, and that something was to those elsewhere. */
    boardNews(events: readonly SaidEvent[]): void {
      for (const channelId of new Set(events.map((event) => event.channelId))) {
        boards.happened(
          channelId,
          events.filter((event) => event.channelId === channelId),
        )
        tellOthers(channelId)
      }
    },
    /** Keeps what chats have taken away, and takes it off the boards. */
    async takeAway(channelId: string, deliveryId: string, removals: readonly Removal[]): Promise<void> {
      await addRemovals(options.db, removalRows(channelId, deliveryId, removals, new Date(options.now())))
      boards.removed(channelId, removals)
      tellOthers(channelId)
    },
    /** What was kept counts otherwise now: something was given back. */
    changed(channelId: string): void {
      boards.happened(channelId, null)
      tellOthers(channelId)
    },
    changedOf(channelId: string, of: 'goal' | 'sponsor'): void {
      boards.changedOf(channelId, of)
      tellOthers(channelId)
    },
  }
}
