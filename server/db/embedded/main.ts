// The embedded database on a thread of its own: while it writes, everything else goes on.
import { parentPort, workerData } from 'node:worker_threads'
import type { Answered, Asked, QueryAnswer } from './messages.ts'
import { openEngine, parsers } from './openEngine.ts'

if (!parentPort) throw new Error('The embedded database runs as a thread')
const port = parentPort
const say = (answer: Answered) => port.postMessage(answer)
const engine = await openEngine((workerData as { folder: string }).folder)

/** Of an error what says something; what it was asked with is megabytes. */
function told(error: unknown): { message: string } & Record<string, unknown> {
  if (!(error instanceof Error)) return { message: String(error) }
  const { code, detail, severity, constraint, table, column } = error as unknown as Record<string, unknown>
  return { message: error.message.slice(0, 2_000), code, detail, severity, constraint, table, column }
}

async function carryOut(asked: Asked): Promise<QueryAnswer | null> {
  if (asked.do === 'query') {
    const { rows, fields, affectedRows } = await engine.query(asked.text, asked.params, {
      rowMode: asked.rowMode,
      parsers,
    })
    return { rows, fields, affectedRows }
  }
  if (asked.do === 'exec') await engine.exec(asked.text)
  else await engine.close()
  return null
}

port.on('message', (asked: Asked) => {
  // The engine takes one after another, in the order in which they come.
  carryOut(asked).then(
    (value) => say({ id: asked.id, value }),
    (error: unknown) => say({ id: asked.id, error: told(error) }),
  )
})
say({ id: 'open' })
