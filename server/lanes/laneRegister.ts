import type { Database } from '../db/handle.ts'
import { claim, listOwners, release, removeNode, renew, type NodeMark } from '../db/queries/nodes.ts'
import type { LaneRegister } from './lanes.ts'

/** Lanes and nodes as they lie in the database. @param isAlone no other process can be on it */
export function laneRegister(db: Database, mark: NodeMark, isAlone: boolean): LaneRegister {
  return {
    renew: (leaseMs) => renew(db, mark, leaseMs),
    claim: (gone) => claim(db, mark.id, gone, isAlone),
    release: (lanes) => release(db, mark.id, lanes),
    owners: () => listOwners(db),
    leave: () => removeNode(db, mark.id),
  }
}
