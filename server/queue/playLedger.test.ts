import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { PlayLedger, writtenAtOnce, type Ledger } from './playLedger.ts'

describe('PlayLedger', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  /** `down`: failures that pass still to come; a record called `bad` never works. */
  function arrange(down = 0) {
    const written: Ledger[] = []
    const lost: unknown[] = []
    const state = { down }
    const ledger = new PlayLedger({
      write: async (given) => {
        if (state.down > 0) {
          state.down -= 1
          throw new Error('down')
        }
        if (given.records.some(({ id }) => id === 'bad')) throw new Error('a value that does not fit')
        written.push(given)
      },
      isPassing: (error) => error instanceof Error && error.message === 'down',
      onLost: (error) => lost.push(error),
    })
    return { ledger, written, lost, state }
  }

  it('keeps what could not be written until it is, what is newer over what is older', async () => {
    const { ledger, written, lost } = arrange(3)
    ledger.record({ id: 'p1', state: 'preparing' })
    await vi.advanceTimersByTimeAsync(100)
    ledger.record({ id: 'p1', state: 'over', outcome: 'skipped', reason: 'skipped by tallowmoth' })
    ledger.recordAbsence(null)
    expect(await Promise.all([ledger.isSettledWithin(50), vi.advanceTimersByTimeAsync(60)])).toMatchObject([false, {}])
    await vi.advanceTimersByTimeAsync(2000)
    expect(written).toEqual([
      {
        records: [{ id: 'p1', state: 'over', outcome: 'skipped', reason: 'skipped by tallowmoth' }],
        absentSince: null,
      },
    ])
    expect([ledger.isEmpty, lost]).toEqual([true, []])
  })

  it.each(Array.from({ length: 24 }, (_, turns) => turns))(
    'writes what is recorded around the moment in which it ends: %i turns after it began',
    async (turns) => {
      const { ledger, written } = arrange()
      ledger.record({ id: 'p0', state: 'over' })
      for (let turn = 0; turn < turns; turn++) await Promise.resolve()
      ledger.record({ id: 'p1', state: 'over' })
      await vi.advanceTimersByTimeAsync(5)
      expect(written.flatMap(({ records }) => records.map(({ id }) => id)).sort()).toEqual(['p0', 'p1'])
      expect(ledger.isEmpty).toBe(true)
    },
  )

  it('writes no more than a thousand at once, and all of it', async () => {
    const { ledger, written } = arrange()
    for (let number = 0; number < 2 * writtenAtOnce + 1; number++) ledger.record({ id: `p${number}`, state: 'over' })
    await ledger.settled()
    expect(written.map(({ records }) => records.length)).toEqual([writtenAtOnce, writtenAtOnce, 1])
    expect(new Set(written.flatMap(({ records }) => records.map(({ id }) => id))).size).toBe(2 * writtenAtOnce + 1)
  })

  it('leaves out what does not fit, and writes the others', async () => {
    const { ledger, written, lost } = arrange()
    ledger.record({ id: 'p1', state: 'over' })
    ledger.record({ id: 'bad', reason: 'x' })
    ledger.recordAbsence(null)
    await ledger.settled()
    expect(written.flatMap(({ records }) => records.map(({ id }) => id))).toEqual(['p1'])
    expect(written.at(-1)).toEqual({ records: [], absentSince: null })
    expect(lost).toHaveLength(1)
  })

  it('ends where it is closed while the database stays away', async () => {
    const { ledger, lost } = arrange(Infinity)
    ledger.record({ id: 'p1', state: 'over' })
    const closed = ledger.close()
    await vi.advanceTimersByTimeAsync(6000)
    await closed
    expect(lost).toHaveLength(1)
  })

  it('writes nothing more once the lane is another’s', async () => {
    const { ledger, written, lost } = arrange(2)
    ledger.record({ id: 'p1', state: 'over' })
    await vi.advanceTimersByTimeAsync(10)
    ledger.abandon()
    ledger.record({ id: 'p2', state: 'over' })
    await vi.advanceTimersByTimeAsync(5000)
    expect([written, lost, ledger.isEmpty]).toEqual([[], [], true])
  })
})
