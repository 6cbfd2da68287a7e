// Gates: decisions a second in the core, and settled ones (asked, charged, kept) on each database with ten thousand viewers.
// Beside them what one would write by hand: a transaction for each press that locks the viewer's row and changes it.
import { sql } from 'drizzle-orm'
import { askGate, type GateAsk } from '../core/gate/askGate.ts'
import { openGate, type Gate } from '../core/gate/schema.ts'
import { unusedByViewer, unusedGate } from '../core/gate/state.ts'
import { migrate } from '../server/db/migrate.ts'
import { CallsRoom, triggerOf, typedBy } from '../test/arrange/callsRoom.ts'
import { databases } from '../test/arrange/databases.ts'
import { readMigrations } from '../server/operate/readMigrations.ts'
import { report, type Measured } from './report.ts'
import { perSecond, whole } from './timing.ts'

const viewers = 10_000
const atOnce = 250
const rounds = 12
const gate: Gate = {
  ...openGate,
  who: { match: 'any', of: [{ is: 'role', role: 'subscriber' }] },
  againAfter: { allMs: 0, viewerMs: 1 },
  perStream: { all: null, viewer: 1000 },
  asked: { as: 'text', minLetters: 2, maxLetters: 24, letters: 'any' },
  cost: 5,
}
const measured: Measured[] = []

const ask = (at: number): GateAsk => ({
  ...{
    isArmed: true,
    input: 'Crumbelina',
    isBlocked: false,
    nowMs: 1_000_000 + at * 10,
    timeZone: 'Europe/Lisbon',
    streamMs: 1,
  },
  viewer: { id: `v-${at % viewers}`, name: 'pip_rye', roles: ['subscriber'], tier: 1, months: 3, isFirstTime: false },
  ...{ scene: 'Bench cam', balance: 1_000_000 },
})
let state = unusedGate(null)
measured.push({
  what: 'the core: one decision, allowed',
  figures: {
    'per second': whole(
      await perSecond((at) => {
        state = askGate(gate, ask(at), state, unusedByViewer).state
      }),
    ),
  },
})

for (const { name, isHere, open } of databases) {
  if (!isHere) {
    measured.push({ what: `${name}: not here`, figures: {} })
    continue
  }
  const opened = await open()
  const { db } = opened.handle
  await migrate(opened.handle, readMigrations())
  const room = await CallsRoom.make(db, 'bench', [triggerOf('bell', { gate, again: 'together' })])
  const ids = Array.from({ length: viewers }, (_, at) => `v-${at}`)
  for (let at = 0; at < viewers; at += 1000)
    await db.execute(
      sql`insert into balance (channel_id, viewer_id, name, points) select 'bench', 'feed:f/' || id, id, 1000000 from jsonb_array_elements_text(${JSON.stringify(ids.slice(at, at + 1000))}::jsonb) as id`,
    )
  const press = (at: number) => {
    const { kind, data } = typedBy(ids[(at * 7919) % viewers] ?? '', '!bell', 'Crumbelina')
    return { kind, data: { ...data, viewer: { ...data.viewer, roles: ['subscriber'] } } } as ReturnType<typeof typedBy>
  }
  const beganMs = performance.now()
  for (let round = 0; round < rounds; round++)
    await room.happen(...Array.from({ length: atOnce }, (_, at) => press(round * atOnce + at)))
  const ours = (rounds * atOnce * 1000) / (performance.now() - beganMs)

  await db.execute(sql`create table by_hand (viewer text primary key, last_ms bigint not null, points bigint not null)`)
  await db.execute(sql`insert into by_hand select replace(viewer_id, 'feed:f/', ''), 0, points from balance`)
  const handMs = performance.now()
  const presses = 600
  for (let at = 0; at < presses; at++)
    await db.transaction(async (tx) => {
      const viewer = ids[(at * 7919) % viewers] ?? ''
      await tx.execute(sql`select last_ms, points from by_hand where viewer = ${viewer} for update`)
      await tx.execute(sql`update by_hand set last_ms = ${at}, points = points - 5 where viewer = ${viewer}`)
    })
  measured.push({
    what: `${name}: kept with its event, asked, charged, run and over`,
    figures: { 'per second': whole(ours) },
  })
  measured.push({
    what: `${name}: peer, a transaction for each press that checks and charges, and nothing else`,
    figures: { 'per second': whole((presses * 1000) / (performance.now() - handMs)) },
  })
  await room.calls.close()
  await opened.handle.close()
  await opened.clean()
}

report('gate', measured, [
  `${viewers} viewers, ${rounds * atOnce} presses, ${atOnce} at a time; the peer asks less and keeps neither ledger nor run.`,
])
process.exit(0)
