import { Writable } from 'node:stream'
import { pino } from 'pino'
import { describe, expect, it } from 'vitest'
import { loggerOptions } from './logger.ts'
import { loggableError } from './loggable.ts'

const token = `src${'a1'.repeat(16)}`
const failed = new Error(
  `Failed query: select "id" from "box" where "source_token" = $1\nparams: ${token},what a viewer wrote`,
  { cause: Object.assign(new Error('connect ECONNREFUSED 127.0.0.1:5432'), { code: 'ECONNREFUSED' }) },
)

describe('what a log keeps of an error', () => {
  it('is what broke and why, not with what it was asked', () => {
    const kept = loggableError(failed)
    expect(kept).toMatchObject({
      message: 'Failed query: select "id" from "box" where "source_token" = $1',
      code: 'ECONNREFUSED',
      causes: ['connect ECONNREFUSED 127.0.0.1:5432'],
    })
    expect(kept.stack.length).toBeGreaterThan(0)
    expect(loggableError(new Error(`no box at /source/${token}/link`)).message).toBe('no box at /source/(hidden)/link')
    expect(loggableError('words').message).toBe('words')
  })

  it('the logger keeps no more, wherever the error stands', () => {
    let written = ''
    const out = new Writable({
      write(chunk: Buffer, _encoding, done) {
        written += chunk.toString()
        done()
      },
    })
    const logger = pino(loggerOptions('info'), out)
    logger.error({ err: failed, token }, 'no')
    logger.error(failed)
    logger.warn({ error: failed }, 'no')
    expect(written).toContain('ECONNREFUSED')
    expect(written).not.toMatch(/a viewer wrote|srca1a1/)
  })
})
