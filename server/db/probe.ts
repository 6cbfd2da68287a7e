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

const noAnswer = () => Object.assign(new Error('The database did not answer in time'), { code: 'ETIMEDOUT' })

/** Whether the database answers, within two seconds. @throws where it does not */
export async function askDatabase({ db }: DatabaseHandle): Promise<void> {
  await withinMs(answersWithinMs, Promise.resolve(db.execute(sql`select 1`)), noAnswer)
}

/** Whether it answers and can write: with a full disk it does the one and not the other. @throws where it does not */
export async function probeDatabase({ db }: DatabaseHandle): Promise<void> {
  await withinMs(answersWithinMs, keepBeat(db, 'probe', new Date()), noAnswer)
}
