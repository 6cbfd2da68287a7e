import { sql } from 'drizzle-orm'
import type { Lane } from '../../../core/response/lane.ts'
import type { Database } from '../handle.ts'
import { rowsOf } from '../rowsOf.ts'
import { claimLanes, renewNode } from '../laneRoutines.ts'
import type { LaneHold } from './playRecords.ts'

/** A running server as others can tell it. */
export interface NodeMark {
  id: string
  /** The machine that it runs on, and its process there: on the same machine others see whether it is gone. */
  machine: string
  process: string
  /** Of the secret with which addresses are sealed: all that share a database need the same. */
  seal: string
}

/** What a renewal finds: who lives, and what is this node's. */
export interface Renewed {
  nodes: NodeMark[]
  holds: LaneHold[]
}

/** Says that a node lives for so long from now on. */
export async function renew(db: Database, mark: NodeMark, leaseMs: number): Promise<Renewed> {
  const [row] = rowsOf<{ answer: Renewed }>(
    await db.execute(sql`select ${sql.raw(renewNode.name)}(${JSON.stringify(mark)}::jsonb, ${leaseMs}) as answer`),
  )
  return row?.answer ?? { nodes: [], holds: [] }
}

/** A lane that was taken just now. */
export interface Claimed {
  hold: LaneHold
  channelId: string
  /** When it was last carried out; null: never. */
  leftAt: Date | null
}

/**
 * Takes lanes that nobody carries out, or whose owners are gone. All lanes of a channel have the same owner; of many free
 * channels each node takes its share.
 * @param gone nodes that are known to be gone, whatever they have promised
 * @param isAlone nobody else can be there
 */
export async function claim(
  db: Database,
  nodeId: string,
  gone: readonly string[] = [],
  isAlone = false,
): Promise<Claimed[]> {
  const rows = rowsOf<{ lane: Lane; epoch: number; channel_id: string; left_at: string | Date | null }>(
    await db.execute(
      sql`select * from ${sql.raw(claimLanes.name)}(${nodeId}, ${JSON.stringify(gone)}::jsonb, ${isAlone})`,
    ),
  )
  return rows.map(({ lane, epoch, channel_id: channelId, left_at: leftAt }) => ({
    channelId,
    hold: { lane, epoch },
    leftAt: leftAt === null ? null : new Date(leftAt),
  }))
}

/** Lets lanes go: whoever comes first takes them. */
export async function release(db: Database, nodeId: string, lanes: readonly Lane[] | null): Promise<void> {
  const some = lanes ? sql`and id in (select jsonb_array_elements_text(${JSON.stringify(lanes)}::jsonb))` : sql``
  await db.execute(sql`update lane set owner = null, left_at = clock_timestamp() where owner = ${nodeId} ${some}`)
}

/** Says that a node is gone. Its lanes have to be released before. */
export async function removeNode(db: Database, nodeId: string): Promise<void> {
  await db.execute(sql`delete from node where id = ${nodeId}`)
}

/** Who carries out which lane, as far as anybody does. */
export async function listOwners(db: Database): Promise<Map<Lane, string>> {
  const rows = rowsOf<{ id: Lane; owner: string }>(
    await db.execute(sql`select lane.id, lane.owner from lane join node on node.id = lane.owner`),
  )
  return new Map(rows.map(({ id, owner }) => [id, owner]))
}
