import { once } from 'node:events'
import { createReadStream, createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import type { Readable } from 'node:stream'
import { readCloudEvent } from '../../contract/cloudEvent.ts'
import type { BroughtBackView } from '../../contract/history.ts'
import { err, ok, type Result } from '../../core/result.ts'
import type { Database } from '../db/handle.ts'
import { bringBack } from '../db/queries/history.ts'
import type { event } from '../db/liveSchema.ts'
import { newId } from '../system/ids.ts'

/** A line is one event with its message and emotes. */
const lineMost = 512 * 1024
/** A million events of a busy channel. */
const fileMost = 2 * 1024 ** 3
const atOnce = 500

/** What does not fit, and where: nothing was written. */
export interface HistoryFault {
  line: number
  path: string
  message: string
}

type EventToBring = typeof event.$inferInsert

/**
 * Brings a history back: NDJSON of CloudEvents as `GET /api/history?as=ndjson` gives it. All of it is read and checked
 * before anything is written, without keeping it in memory; what is there already is left as it is, so that the same file
 * again brings what an interruption left out. What it holds has happened: nothing plays, nothing is set off.
 * @param path a file to keep it in meanwhile
 */
export async function takeHistory(
  db: Database,
  channelId: string,
  body: Readable,
  path: string,
): Promise<Result<BroughtBackView, HistoryFault>> {
  try {
    const fault = await check(body, path)
    if (fault) return err(fault)
    let total = 0
    let fresh = 0
    let rows: EventToBring[] = []
    const write = async () => {
      if (rows.length === 0) return
      total += rows.length
      fresh += await bringBack(db, rows)
      rows = []
    }
    for await (const line of createInterface({ input: createReadStream(path), crlfDelay: Infinity })) {
      if (line.trim() === '') continue
      const read = readLine(line, channelId)
      // It was checked before.
      if (read.ok) rows.push(read.value)
      if (rows.length === atOnce) await write()
    }
    await write()
    return ok({ events: fresh, repeated: total - fresh })
  } finally {
    await rm(path, { force: true })
  }
}

/** Keeps what comes in a file, and checks it line by line. @returns the first fault */
async function check(body: Readable, path: string): Promise<HistoryFault | null> {
  const file = createWriteStream(path, { mode: 0o600 })
  let trouble: Error | null = null
  // Also where nobody waits for it just then: a full disk ends this, and nothing else.
  file.on('error', (error: Error) => (trouble = error))
  let number = 0
  let bytes = 0
  let rest = ''
  const decoder = new TextDecoder('utf-8', { fatal: true })
  const take = (line: string): HistoryFault | null => {
    number += 1
    if (line.trim() === '') return null
    const read = readLine(line, '')
    return read.ok ? null : { line: number, ...read.error }
  }
  const here = (message: string): HistoryFault => ({ line: number + 1, path: '', message })
  const read = async (): Promise<HistoryFault | null> => {
    for await (const chunk of body as AsyncIterable<Buffer>) {
      bytes += chunk.length
      if (bytes > fileMost) return here('the file is larger than 2 GiB: bring it in several')
      try {
        rest += decoder.decode(chunk, { stream: true })
      } catch {
        return here('this is no text in UTF-8')
      }
      const lines = rest.split('\n')
      rest = lines.pop() ?? ''
      if (rest.length > lineMost) return here('the line is longer than any event is')
      for (const line of lines) {
        const fault = take(line)
        if (fault) return fault
      }
      if (trouble) return null
      if (!file.write(chunk)) await once(file, 'drain').catch(() => undefined)
    }
    return take(rest)
  }
  const fault = await read().finally(async () => {
    file.end()
    if (!file.closed) await once(file, 'close').catch(() => undefined)
  })
  if (trouble) throw trouble
  return fault
}

function readLine(line: string, channelId: string): Result<EventToBring, Omit<HistoryFault, 'line'>> {
  let raw: unknown
  try {
    raw = JSON.parse(line)
  } catch {
    return err({ path: '', message: 'is no JSON' })
  }
  const read = readCloudEvent(raw)
  if (!read.ok) return err(read.error[0] ?? { path: '', message: 'does not fit' })
  const { occurredAtMs, receivedAtMs, ...of } = read.value
  if (occurredAtMs === null) return err({ path: 'time', message: 'is missing: when did it happen?' })
  const receivedAt = new Date(receivedAtMs ?? occurredAtMs)
  return ok({
    ...of,
    ...{ id: newId('event', receivedAt.getTime()), channelId, occurredAt: new Date(occurredAtMs), receivedAt },
  })
}
