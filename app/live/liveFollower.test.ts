import { describe, expect, it } from 'vitest'
import type { ChannelLive, LiveChange, LiveMessage } from '../../contract/channelLive.ts'
import { LiveFollower } from './liveFollower.ts'

const whole = { desks: [], libraryRevision: 1, voicesAreOn: true } as unknown as ChannelLive
const words = (stream: string, seq: number, what: { whole: ChannelLive } | { change: LiveChange }) =>
  JSON.stringify({ stream, seq, serverNowMs: Date.now() + 60_000, ...what } satisfies LiveMessage)

describe('whoever follows a run of messages', () => {
  it('begins with the whole and counts on', () => {
    const follower = new LiveFollower()
    expect(follower.take(words('a', 1, { change: { libraryRevision: 2 } }))).toBeNull()
    expect(follower.take(words('a', 4, { whole }))?.libraryRevision).toBe(1)
    expect(follower.take(words('a', 5, { change: { libraryRevision: 2 } }))?.libraryRevision).toBe(2)
  })

  it('notices what it missed, or what another run says, and leaves alone what it knows', () => {
    const follower = new LiveFollower()
    follower.take(words('a', 4, { whole }))
    expect(follower.take(words('a', 6, { change: { libraryRevision: 3 } }))).toBeNull()
    expect(follower.take(words('b', 5, { change: { libraryRevision: 3 } }))).toBeNull()
    expect(follower.take(words('a', 3, { change: { libraryRevision: 9 } }))?.libraryRevision).toBe(1)
    expect(follower.take(words('b', 1, { whole: { ...whole, libraryRevision: 7 } }))?.libraryRevision).toBe(7)
  })

  it('gives a latecomer all it knows, with what the time is now', () => {
    const follower = new LiveFollower()
    expect(follower.whole()).toBeNull()
    follower.take(words('a', 4, { whole }))
    follower.take(words('a', 5, { change: { voicesAreOn: false } }))
    const late = new LiveFollower()
    expect(late.take(follower.whole() ?? '')).toEqual({ ...whole, voicesAreOn: false })
    expect(late.take(words('a', 6, { change: { libraryRevision: 2 } }))?.libraryRevision).toBe(2)
    expect(Math.abs(late.aheadMs - 60_000)).toBeLessThan(5_000)
  })
})
