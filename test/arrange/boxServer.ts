import pino from 'pino'
import { expect } from 'vitest'
import type { BoxDocument } from '../../core/composition/box.ts'
import { laneOfBox, type Lane } from '../../core/response/lane.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import type { Database } from '../../server/db/handle.ts'
import { addBox, findBox } from '../../server/db/queries/boxes.ts'
import { claim } from '../../server/db/queries/nodes.ts'
import { addChannel, addPerson } from '../../server/db/queries/people.ts'
import { BoxQueues } from '../../server/queue/boxQueues.ts'
import { Shows } from '../../server/queue/shows.ts'
import { Clock } from '../../server/system/clock.ts'

/** A channel with one box of a person, that nobody has put on air. */
export async function addOneBox(
  db: Database,
  { channelId, boxId, personId, draft }: { channelId: string; boxId: string; personId: string; draft: BoxDocument },
): Promise<void> {
  await addChannel(db, {
    ...{ id: channelId, name: 'Lantern Loaf', locale: 'en', timeZone: 'UTC', currency: 'EUR', rates: {} },
    ...{ speech: null, calls: null, goalsBasis: 0 },
  } as never)
  await addPerson(db, { id: personId, email: 'o@x.example', name: 'Odalys Fenn', passwordHash: 'x' } as never)
  await addBox(db, { id: boxId, channelId, name: 'Night counter', draft, sourceToken: 'token' } as never)
}

let nodes = 0

/**
 * One server that carries out one box, as it is after a start: it knows what the database knows.
 * @param hear what it says to sources
 * @param of how voices speak, and what the studio shows
 */
export async function serveBox(
  db: Database,
  { channelId, boxId }: { channelId: string; boxId: string },
  hear: (message: ToSource) => void,
  of: {
    voice: () => Promise<object>
    scene?: () => string | null
    onPlay?: (playId: string, is: 'started' | 'over', reason: string) => void
  },
) {
  const onAir = new OnAirCache(db)
  const queues = new BoxQueues({
    ...{ db, onAir, clock: new Clock(), logger: pino({ level: 'silent' }) },
    shows: new Shows({
      ...{ db, onAir, dress: (show) => show },
      voices: { of: of.voice, tooLate: () => undefined } as never,
    }),
    sceneOf: () => Promise.resolve(of.scene?.() ?? null),
    send: (_nodeId, _boxId, _sources, message) => hear(message),
    isSure: () => true,
    onLaneLost: () => expect.fail('nobody else is there'),
    letGo: () => Promise.resolve(),
    noteTrouble: () => false,
    onChange: () => undefined,
    onPlayChanged: () => undefined,
    onStarted: () => undefined,
    onPlay: (_channelId, playId, is, reason) => of.onPlay?.(playId, is, reason),
  })
  const row = await findBox(db, channelId, boxId)
  const claimed = await claim(db, `node-${nodes++}`, [], true)
  for (const { hold, leftAt } of claimed)
    if (row && hold.lane === laneOfBox(boxId)) await queues.open(row, hold, leftAt)
  const holdOf = (lane: Lane) => claimed.find(({ hold }) => hold.lane === lane)?.hold
  return { onAir, queues, holdOf, runtime: () => queues.find(boxId)! }
}
