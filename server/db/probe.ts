import { sql } from 'drizzle-orm'
import type { DatabaseHandle } from './handle.ts'
import { keepBeat } from './queries/heartbeat.ts'

const answersWithinMs = 2_000

/** @throws where a promise does not settle in time */
export function withinMs<T>(ms: number, promise: Promise<T>, late: () => Error): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const over = new Promise<never>((_resolve, reject) => (timer = setTimeout(() => reject(late()), ms)))
  return Promise.race([promise, over]).finally(() => clearTimeout(timer))
}

export const noAnswer = () => Object.assign(new Error('The database did not answer in time'), { code: 'ETIMEDOUT' })

/** With less than this left, what is written next may not fit. */
const roomLeast = 4 * 1024 * 1024

/** @throws where the disk is as good as full: a small thing may still fit where there happens to be a gap */
async function needRoom(database: DatabaseHandle): Promise<void> {
  const free = await database.freeBytes()
  if (free !== null && free < roomLeast)
    throw Object.assign(new Error('There is no room left on the disk'), { code: 'ENOSPC' })
}

/** Whether the database answers, within two seconds, and has room. @throws where it does not */
export async function askDatabase(database: DatabaseHandle): Promise<void> {
  const { db } = database
  await needRoom(database)
  await withinMs(answersWithinMs, Promise.resolve(db.execute(sql`select 1`)), noAnswer)
}

/** Whether it answers and can write: with a full disk it does the one and not the other. @throws where it does not */
export async function probeDatabase(database: DatabaseHandle): Promise<void> {
  const { db } = database
  await needRoom(database)
  await withinMs(answersWithinMs, keepBeat(db, 'probe', new Date()), noAnswer)
}
