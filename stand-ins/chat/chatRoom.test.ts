import { describe, expect, it, vi } from 'vitest'
import { ChatRooms, type ChatLine } from './chatRoom.ts'

const line = (text: string): ChatLine => ({
  ...{ id: text, atMs: 0, text, emotes: [], isOurs: false },
  by: { id: 'v', name: 'pip_rye', roles: [] },
})

describe('a simulated chat', () => {
  it('tells whoever listens in that room, and keeps what was said lately', () => {
    const rooms = new ChatRooms()
    const heard = vi.fn()
    const leave = rooms.join('alder', heard, null)
    rooms.say('alder', line('hello'))
    rooms.say('birch', line('elsewhere'))
    leave?.()
    rooms.say('alder', line('gone'))
    expect(heard.mock.calls.map(([said]) => (said as ChatLine).text)).toEqual(['hello'])
    for (let at = 0; at < 250; at++) rooms.say('alder', line(String(at)))
    expect(rooms.lines('alder')).toHaveLength(200)
    expect(rooms.lines('alder').at(-1)?.text).toBe('249')
  })

  it('knows who is there, each once since they came, and lets in no more than it holds', () => {
    const rooms = new ChatRooms()
    const pip = (sinceMs: number) => ({ id: 'v', name: 'pip_rye', sinceMs })
    rooms.join('alder', () => {}, pip(2000))
    rooms.join('alder', () => {}, pip(1000))
    rooms.join('alder', () => {}, null)
    expect(rooms.present('alder')).toEqual([pip(1000)])
    for (let at = 0; at < 197; at++) expect(rooms.join('alder', () => {}, null)).not.toBeNull()
    expect(rooms.join('alder', () => {}, null)).toBeNull()
  })
})
