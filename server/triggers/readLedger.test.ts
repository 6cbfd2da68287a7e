import { describe, expect, it } from 'vitest'
import { readLedger } from './readLedger.ts'

describe('a ledger that is brought in', () => {
  it('is read whatever the order of its columns, with names of every script', () => {
    const { lines, faults } = readLedger(
      'change,viewer,name,why\r\n50,feed:f/pip,"pip, rye",follow\r\n-20,feed:f/pip,"pip, rye",\'=1+1\r\n7,x,毛毛面包,\r\n',
      'f',
    )
    expect(faults).toEqual([])
    expect(lines).toEqual([
      { viewerId: 'feed:f/pip', name: 'pip, rye', change: 50, why: 'follow', reference: 'file:f:0' },
      { viewerId: 'feed:f/pip', name: 'pip, rye', change: -20, why: '=1+1', reference: 'file:f:1' },
      { viewerId: 'x', name: '毛毛面包', change: 7, why: '', reference: 'file:f:2' },
    ])
  })

  it('brings nothing where anything is wrong, and says where', () => {
    expect(readLedger('name,why\na,b\n', 'f').faults.map(({ message }) => message)).toEqual([
      'has no column “viewer”',
      'has no column “change”',
    ])
    const { lines, faults } = readLedger('viewer,change\na,5\nb,many\n,3\n', 'f')
    expect(lines).toEqual([])
    expect(faults.map(({ path }) => path)).toEqual(['line 3', 'line 4'])
  })

  it('leaves nobody with less than nothing', () => {
    expect(readLedger('viewer,change\na,-5\n', 'f').faults[0]?.message).toBe('a would have -5')
    expect(readLedger('viewer,change\na,-5\n', 'f', new Map([['a', 5]])).lines).toHaveLength(1)
  })
})
