import { describe, expect, it } from 'vitest'
import { createShownMemory } from './memory.ts'

function storage(initial: Record<string, string> = {}): Storage {
  const kept = new Map(Object.entries(initial))
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as unknown as Storage
}

describe('createShownMemory', () => {
  it('remembers over a reload', () => {
    const same = storage()
    createShownMemory(same).add('p1')
    expect(createShownMemory(same).has('p1')).toBe(true)
  })

  it('keeps the newest 200', () => {
    const memory = createShownMemory(storage())
    for (let index = 0; index < 250; index++) memory.add(`p${index}`)
    expect(memory.ids()).toHaveLength(200)
    expect(memory.has('p49')).toBe(false)
    expect(memory.ids().at(-1)).toBe('p249')
  })

  it('lives without a storage, with a broken one and with one that is full', () => {
    const full = { ...storage(), setItem: () => expect.fail } as unknown as Storage
    full.setItem = () => {
      throw new Error('full')
    }
    for (const each of [
      null,
      storage({ 'thundercrest.shown': '{not json' }),
      storage({ 'thundercrest.shown': '{"a":1}' }),
      full,
    ]) {
      const memory = createShownMemory(each)
      memory.add('p1')
      expect(memory.ids()).toEqual(['p1'])
    }
  })
})
