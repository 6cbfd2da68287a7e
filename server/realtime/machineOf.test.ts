import { describe, expect, it } from 'vitest'
import { machineOf } from './machineOf.ts'

describe('machineOf', () => {
  it('is the same for every way to write this machine’s own address', () => {
    const own = machineOf('127.0.0.1', false)
    expect(machineOf('::ffff:127.0.0.1', false)).toBe(own)
    expect(machineOf('::1', false)).toBe(own)
    expect(machineOf('192.0.2.7', false)).not.toBe(own)
  })

  it('never shows the address, and tells nothing behind a proxy', () => {
    expect(machineOf('192.0.2.7', false)).not.toContain('192')
    expect(machineOf('192.0.2.7', true)).toBe('')
    expect(machineOf(undefined, false)).toBe('')
  })
})
