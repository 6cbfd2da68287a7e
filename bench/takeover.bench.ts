// Two processes on one PostgreSQL: the owner of a box is killed, and it is measured when the next alert starts at a source of the
// other. Beside it, in the same run, the other way that a lane could be owned: a session's advisory lock, tried for again and again.
import { fork, type ChildProcess } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { deliverNotices, followNotice } from '../test/arrange/cedar.ts'
import { ownerOf } from '../test/arrange/owners.ts'
import { startPostgres } from '../test/arrange/postgres.ts'
import { TestServer } from '../test/arrange/server.ts'
import { FaultSource } from '../test/faults/faultSource.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const rounds = Number(process.argv.find((argument) => argument.startsWith('--rounds='))?.split('=')[1] ?? 20)
const postgres = await startPostgres()
const first = await TestServer.start({ THUNDERCREST_DEMO: '1', DATABASE_URL: postgres.url })
const second = await first.beside()
const boxId = first.demo.boxes[0]?.id ?? ''
const pause = (wait: number) => new Promise((resolve) => setTimeout(resolve, wait))

/** Ends the owner, and sends to the other as soon as it is dead. @returns until the alert started, in milliseconds */
async function round(how: 'SIGKILL' | 'SIGTERM' | 'SIGSTOP'): Promise<number> {
  const owner = (await ownerOf(postgres.url, boxId)) === String(first.pid) ? first : second
  const other = owner === first ? second : first
  const source = new FaultSource(`${other.demo.boxes[0]?.sourceUrl.replace('http', 'ws') ?? ''}/link`)
  while (!source.isConnected) await pause(20)
  await pause(1_200)
  const fromMs = performance.now()
  if (how === 'SIGSTOP') process.kill(owner.pid ?? 0, 'SIGSTOP')
  else await owner.end(how)
  await deliverNotices(other.demo, followNotice('pip_rye'))
  while (source.shown.length === 0) await pause(5)
  const tookMs = (source.shown[0]?.atMs ?? NaN) - fromMs
  source.close()
  if (how === 'SIGSTOP') process.kill(owner.pid ?? 0, 'SIGCONT')
  else await owner.run()
  await pause(1_500)
  return tookMs
}

const measured: Measured[] = []
const add = (what: string, samples: readonly number[]) =>
  measured.push({ what, figures: { p50: ms(percentile(samples, 0.5)), worst: ms(Math.max(...samples)) } })

async function many(count: number, once: () => Promise<number>): Promise<number[]> {
  const samples: number[] = []
  for (let index = 0; index < count; index++) samples.push(await once())
  return samples
}
add(`the owner killed → next alert starts, ${rounds} times`, await many(rounds, () => round('SIGKILL')))
const some = Math.max(3, Math.round(rounds / 4))
add(`the owner stopped → next alert starts, ${some} times`, await many(some, () => round('SIGTERM')))
add(`the owner standing still → next alert starts, ${some} times`, await many(some, () => round('SIGSTOP')))

/** A process that has the advisory lock, or waits for it as an owner of lanes would. */
async function locker(): Promise<{ child: ChildProcess; locked: Promise<number> }> {
  const child = fork(fileURLToPath(new URL('./advisoryLock.ts', import.meta.url)), [postgres.url], {
    execArgv: ['--import', 'tsx'],
  })
  await new Promise((resolve) => child.once('message', resolve))
  return { child, locked: new Promise((resolve) => child.once('message', () => resolve(performance.now()))) }
}
async function lockRound(signal: 'SIGKILL' | 'SIGSTOP'): Promise<number> {
  const holder = await locker()
  await holder.locked
  const next = await locker()
  await pause(500)
  const fromMs = performance.now()
  holder.child.kill(signal)
  const late = pause(20_000).then(() => Infinity)
  const tookMs = (await Promise.race([next.locked, late])) - fromMs
  for (const { child } of [holder, next]) child.kill('SIGKILL')
  await pause(300)
  return tookMs
}
add('  peer: an advisory lock, its holder killed → had by the next', await many(some, () => lockRound('SIGKILL')))
add('  peer: an advisory lock, its holder standing still (given up after 20 s)', [await lockRound('SIGSTOP')])

await second.end('SIGKILL')
await first.remove()
await postgres.stop()
report('takeover', measured, [
  'Both processes and the database run on this one machine, where a process that is gone is seen to be; elsewhere the lease of 3 s has to run out, as it has to for one that stands still.',
  'The peer only has the lock: it reads no line, knows no source and shows nothing.',
])
process.exit(0)
