import { describe, expect, it } from 'vitest'
import { TooBusyError } from '../ingest/groupCommit.ts'
import { hashPassword, verifyPassword } from './password.ts'

describe('passwords', () => {
  it('are hashed with a salt of their own and known again', async () => {
    const [first, second] = await Promise.all([hashPassword('lantern-loaf'), hashPassword('lantern-loaf')])
    expect(first).not.toBe(second)
    expect(first).not.toContain('lantern')
    expect(await verifyPassword('lantern-loaf', first)).toBe(true)
    expect(await verifyPassword('lantern-loaf ', first)).toBe(false)
  })

  it('are the same however an accent was typed', async () => {
    expect(await verifyPassword('pa\u0303o de centeio', await hashPassword('p\u00E3o de centeio'))).toBe(true)
  })

  it('are checked two at once; who waits behind too many is sent away', async () => {
    // As ours are, only cheaper.
    const hash = `scrypt$16384$8$1$${Buffer.alloc(16).toString('base64')}$${Buffer.alloc(32).toString('base64')}`
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, index) => verifyPassword(`wrong ${index}`, hash).catch((error: unknown) => error)),
    )
    expect(answers.filter((answer) => answer instanceof TooBusyError)).toHaveLength(40 - 26)
    expect(answers.filter((answer) => answer === false)).toHaveLength(26)
  })

  it.each(['', 'plain', 'md5$1$2$3$4$5', 'scrypt$1$1$1$$'])('never match the broken hash %j', async (hash) =>
    expect(await verifyPassword('x', hash)).toBe(false),
  )
})
