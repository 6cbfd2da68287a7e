import { describe, expect, it } from 'vitest'
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

  it.each(['', 'plain', 'md5$1$2$3$4$5', 'scrypt$1$1$1$$'])('never match the broken hash %j', async (hash) =>
    expect(await verifyPassword('x', hash)).toBe(false),
  )
})
