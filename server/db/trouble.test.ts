import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { DatabaseTrouble, isDiskFull, isTransient } from './trouble.ts'

const coded = (code: string, message = 'no') => Object.assign(new Error(message), { code })

describe('isTransient', () => {
  it.each([
    coded('ECONNREFUSED'),
    coded('57P01'),
    coded('08006'),
    coded('53100'),
    new Error('Connection terminated unexpectedly'),
    new Error('Failed query: select 1', { cause: coded('ECONNRESET') }),
    new AggregateError([coded('ECONNREFUSED')], 'all addresses'),
  ])('passes: %s', (error) => expect(isTransient(error)).toBe(true))
  it.each([coded('22P05'), coded('23505'), coded('22008'), new Error('Failed query'), 'words', null])(
    'is a fault of the statement: %s',
    (error) => expect(isTransient(error)).toBe(false),
  )
  it('knows a full disk', () => {
    expect(isDiskFull(new Error('Failed query', { cause: coded('53100') }))).toBe(true)
    expect(isDiskFull(coded('ECONNREFUSED'))).toBe(false)
  })
})

describe('DatabaseTrouble', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('is over when the database answers and what was in doubt has been looked up', async () => {
    const probe = vi.fn<() => Promise<void>>().mockRejectedValueOnce(coded('ECONNREFUSED')).mockResolvedValue()
    const onBack = vi.fn<() => Promise<void>>().mockRejectedValueOnce(coded('57P03')).mockResolvedValue()
    const onChange = vi.fn()
    const trouble = new DatabaseTrouble({ probe, onBack, onChange })
    expect(trouble.note(coded('23505'))).toBe(false)
    expect(trouble.isDown).toBe(false)
    expect([trouble.note(coded('ECONNRESET')), trouble.note(coded('ECONNRESET'))]).toEqual([true, true])
    await vi.advanceTimersByTimeAsync(700)
    expect([trouble.isDown, probe.mock.calls.length, onBack.mock.calls.length]).toEqual([true, 2, 1])
    await vi.advanceTimersByTimeAsync(400)
    expect([trouble.isDown, trouble.why]).toEqual([false, null])
    expect(onChange.mock.calls).toEqual([[true], [false]])
  })
})
