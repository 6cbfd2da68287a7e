import type { BoxSummary, BoxView } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { listBoxesAndBoards, listOnAir, type BoxRow } from '../db/queries/boxes.ts'

type OnAirRow = Awaited<ReturnType<typeof listOnAir>>[number]

function summary(box: BoxRow, air: OnAirRow | undefined): BoxSummary {
  return {
    id: box.id,
    name: box.name,
    isBoard: box.isBoard,
    document: box.draft,
    onAir: air ? { number: air.number, sinceMs: air.publishedAt.getTime(), byName: air.byName } : null,
    differsFromAir: air === undefined || box.isDraftOther,
  }
}

export async function boxSummaries(db: Database, channelId: string): Promise<BoxSummary[]> {
  const air = await listOnAir(db, channelId)
  return (await listBoxesAndBoards(db, channelId)).map((box) =>
    summary(
      box,
      air.find((each) => each.boxId === box.id),
    ),
  )
}

export async function boxView(db: Database, box: BoxRow): Promise<BoxView> {
  const air = (await listOnAir(db, box.channelId)).find((each) => each.boxId === box.id)
  return { ...summary(box, air), revision: box.draftRevision, airDocument: air?.document ?? null }
}
