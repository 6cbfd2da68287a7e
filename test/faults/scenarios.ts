import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { startPostgres } from '../arrange/postgres.ts'
import { TestServer } from '../arrange/server.ts'
import { FaultSource } from './faultSource.ts'
import { Tips, viewerName } from './tips.ts'

/** What became of what was sent. */
export interface FaultReport {
  name: string
  sent: number
  acknowledged: number
  kept: number
  shown: number
  /** Shown more than once on one source. */
  twice: number
  /** Acknowledged, and neither shown nor ended with a reason. */
  missing: number
  /** Shown though their time was over. */
  late: number
  /** Secrets and viewers' words in what the server printed. */
  leaks: number
  /** What else was looked at. */
  notes: string[]
}

export type DatabaseKind = 'embedded' | 'server'

export interface Arranged {
  server: TestServer
  source: FaultSource
  tips: Tips
  /** Sets the server's wall clock so far from the real one. */
  setClock: (shiftMs: number) => void
  postgres: Awaited<ReturnType<typeof startPostgres>> | null
  notes: string[]
}

interface Outcome {
  seq: number
  externalId: string
  id: string
}

export interface Scenario {
  name: string
  kinds: readonly DatabaseKind[]
  /** So many tips, in the short form and in the long one. */
  tips: { short: number; long: number }
  isPossible?: () => boolean
  /** What has to be there before. @throws where it cannot be made */
  prepare?: () => void
  /** Where the data lies, where that matters. */
  folder?: () => string
  act(arranged: Arranged, count: number): Promise<void>
  /** It is part of every run of the tests. */
  inSuite?: readonly DatabaseKind[]
  /** Nothing may be shown that was acknowledged before the fault. */
  isOver?: boolean
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const hourMs = 3_600_000
const tinyDisk = '/tmp/thundercrest-tiny-disk'

const steps: [string, number][] = [
  ['an hour back', -hourMs],
  ['an hour on', hourMs],
  ['forty days on', 40 * 24 * hourMs],
  ['forty days back', -40 * 24 * hourMs],
]

export const scenarios: readonly Scenario[] = [
  {
    name: 'killed under load',
    kinds: ['embedded', 'server'],
    inSuite: ['embedded', 'server'],
    tips: { short: 12, long: 200 },
    async act({ server, tips }, count) {
      const sending = tips.atRate(8, count)
      for (let kills = 0; kills < Math.max(1, count / 40); kills++) {
        await pause(700)
        await server.end('SIGKILL')
        await server.run()
      }
      await sending
    },
  },
  {
    name: 'stopped under load',
    kinds: ['embedded', 'server'],
    tips: { short: 12, long: 200 },
    async act({ server, tips, notes }, count) {
      const sending = tips.atRate(8, count)
      await pause(700)
      notes.push(`stopped in ${await server.end('SIGTERM')} ms`)
      await server.run()
      await sending
    },
  },
  {
    name: 'the database down for 9 s',
    kinds: ['server'],
    inSuite: ['server'],
    tips: { short: 40, long: 120 },
    async act({ tips, postgres, server, notes }, count) {
      const sending = tips.atRate(4, count)
      await pause(3000)
      await postgres?.halt()
      await pause(1500)
      const said = await fetch(`${server.url}/readyz`)
      notes.push(`/readyz ${said.status} meanwhile`)
      await pause(7500)
      await postgres?.resume()
      await sending
    },
  },
  {
    name: 'connections cut again and again',
    kinds: ['server'],
    inSuite: ['server'],
    tips: { short: 24, long: 300 },
    async act({ tips, postgres }, count) {
      const sending = tips.atRate(12, count)
      for (let cuts = 0; cuts < count / 3; cuts++) {
        await pause(200)
        await postgres?.cutConnections()
      }
      await sending
    },
  },
  {
    name: 'the disk full',
    kinds: ['embedded'],
    inSuite: ['embedded'],
    tips: { short: 12, long: 60 },
    isPossible: canMount,
    prepare: mountTinyDisk,
    folder: () => tinyDisk,
    async act({ server, tips, notes }, count) {
      await tips.atRate(8, count / 3)
      const filler = join(tinyDisk, 'filler')
      spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=64k'])
      const sending = tips.atRate(8, count / 3)
      await pause(4000)
      const said = await fetch(`${server.url}/readyz`, { signal: AbortSignal.timeout(4000) }).catch(() => null)
      notes.push(`/readyz ${said?.status ?? 'silent'} meanwhile, ${server.isRunning ? 'running' : 'gone'}`)
      rmSync(filler)
      await sending
      await tips.atRate(8, count / 3)
    },
  },
  ...steps.map(([how, shiftMs]): Scenario => ({
    name: `the clock set ${how}`,
    kinds: ['embedded'],
    ...(how === 'an hour back' || how === 'forty days on' ? { inSuite: ['embedded'] as const } : {}),
    tips: { short: 8, long: 60 },
    async act({ tips, setClock }, count) {
      await tips.atRate(20, count / 2)
      setClock(shiftMs)
      await pause(300)
      await tips.atRate(20, count / 2)
    },
  })),
  {
    name: 'down for a day',
    kinds: ['embedded', 'server'],
    inSuite: ['embedded'],
    tips: { short: 5, long: 50 },
    isOver: true,
    async act({ server, source, tips, setClock }, count) {
      // They wait behind what plays: the source is there, and takes its time.
      source.isStuck = true
      await tips.atRate(20, count)
      await tips.settled()
      await server.end('SIGKILL')
      source.isStuck = false
      setClock(24 * hourMs)
      await server.run()
    },
  },
]

/** Tried out: whoever is root may still not be let. */
function canMount(): boolean {
  if (process.platform !== 'linux' || process.getuid?.() !== 0) return false
  const place = mkdtempSync(join(tmpdir(), 'thundercrest-mount-'))
  const isMounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=1m', 'tmpfs', place]).status === 0
  if (isMounted) spawnSync('umount', [place])
  rmSync(place, { recursive: true, force: true })
  return isMounted
}

function mountTinyDisk(): void {
  spawnSync('umount', [tinyDisk])
  rmSync(tinyDisk, { recursive: true, force: true })
  spawnSync('mkdir', ['-p', tinyDisk])
  const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=220m', 'tmpfs', tinyDisk])
  if (status !== 0) throw new Error('A small disk cannot be mounted here')
}

/** Arranges a server with the demo, a source of its first box and a platform, lets the fault happen, and counts. */
export async function runScenario(scenario: Scenario, kind: DatabaseKind, isLong: boolean): Promise<FaultReport> {
  scenario.prepare?.()
  const clockFile = join(mkdtempSync(join(tmpdir(), 'thundercrest-clock-')), 'shift')
  let shiftMs = 0
  const setClock = (ms: number) => {
    shiftMs = ms
    writeFileSync(clockFile, String(ms))
  }
  setClock(0)
  const postgres = kind === 'server' ? await startPostgres() : null
  const clock = fileURLToPath(new URL('./shiftedClock.mjs', import.meta.url))
  const server = await TestServer.start(
    {
      THUNDERCREST_DEMO: '1',
      NODE_OPTIONS: `--import ${clock}`,
      FAULT_CLOCK: clockFile,
      ...(postgres ? { DATABASE_URL: postgres.url } : {}),
    },
    scenario.folder?.(),
  )
  const source = new FaultSource(`${server.demo.boxes[0]?.sourceUrl.replace('http', 'ws') ?? ''}/link`)
  const notes: string[] = []
  try {
    await until(() => source.isConnected, 10_000)
    const tips = new Tips(
      () => server.demo,
      () => shiftMs,
    )
    await scenario.act(
      { server, source, tips, setClock, postgres, notes },
      isLong ? scenario.tips.long : scenario.tips.short,
    )
    await tips.settled()
    const events = await eventsOf(server)
    const ours = new Map(
      events.filter(({ externalId }) => externalId.startsWith('tip-fault-')).map((each) => [each.id, each]),
    )
    const shownIds = () => new Set(source.shown.map(({ eventId }) => eventId).filter((id) => ours.has(id)))
    // A play lasts as long as it takes to say so, and the gap behind it.
    await until(() => shownIds().size >= ours.size, scenario.isOver ? 4_000 : 6_000 + ours.size * 900)
    const shown = shownIds()
    const counts = new Map<string, number>()
    for (const { eventId } of source.shown) counts.set(eventId, (counts.get(eventId) ?? 0) + 1)
    const acknowledgedKept = [...tips.acknowledged.keys()].filter((ref) =>
      [...ours.values()].some(({ externalId }) => externalId === `tip-${ref}`),
    )
    return {
      name: `${scenario.name}, ${kind === 'embedded' ? 'embedded' : 'PostgreSQL'}`,
      sent: tips.sent,
      acknowledged: tips.acknowledged.size,
      kept: acknowledgedKept.length,
      shown: shown.size,
      twice: [...counts.values()].filter((count) => count > 1).length,
      missing: scenario.isOver ? 0 : ours.size - shown.size,
      late: scenario.isOver ? shown.size : 0,
      leaks: leaksIn(server),
      notes: [...notes, [...tips.statuses].map(([status, count]) => `${count} × ${status}`).join(', ')],
    }
  } finally {
    source.close()
    await server.remove()
    await postgres?.stop()
    if (scenario.folder) spawnSync('umount', [scenario.folder()])
  }
}

/** Whatever a log must not hold, counted in what was printed. */
function leaksIn({ demo, printed }: TestServer): number {
  const secrets = [
    ...demo.boxes.map(({ sourceUrl }) => sourceUrl.split('/').at(-1) ?? ''),
    ...demo.feeds.map(({ secret }) => secret),
    demo.apiKey,
    ...demo.accounts.map(({ password }) => password),
    viewerName,
  ]
  return secrets.filter((secret) => printed.includes(secret)).length
}

async function until(isTrue: () => boolean, withinMs: number): Promise<void> {
  const startedMs = performance.now()
  while (!isTrue() && performance.now() - startedMs < withinMs) await pause(50)
}

/** Everything that is kept, page by page. */
async function eventsOf({ demo }: TestServer): Promise<Outcome[]> {
  const all: Outcome[] = []
  for (let after = 0; ;) {
    const answer = await fetch(`${demo.url}/api/events?after=${after}&limit=500`, {
      headers: { authorization: `Bearer ${demo.apiKey}` },
    })
    const { events, nextAfter } = (await answer.json()) as { events: Outcome[]; nextAfter: number }
    all.push(...events)
    if (events.length < 500) return all
    after = nextAfter
  }
}
