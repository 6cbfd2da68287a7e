import { EventEmitter } from 'node:events'
import { describe, expect, it, vi } from 'vitest'
import { EventStream } from './eventStream.ts'

function response(takes: boolean) {
  const written: string[] = []
  const emitter = new EventEmitter()
  const state = { takes }
  const out = {
    writeHead: vi.fn(),
    flushHeaders: vi.fn(),
    write(text: string) {
      written.push(text)
      return state.takes
    },
    end: vi.fn(() => void emitter.emit('close')),
    destroy: vi.fn(() => void emitter.emit('close')),
    on: (event: string, act: () => void) => emitter.on(event, act),
  }
  return { out: out as unknown as ConstructorParameters<typeof EventStream>[0] & typeof out, written, state, emitter }
}

describe('EventStream', () => {
  it('writes each event while it is read', () => {
    const { out, written } = response(true)
    const stream = new EventStream(
      out,
      () => null,
      () => undefined,
    )
    stream.push('1')
    stream.push('2')
    expect(written).toEqual(['data: 1\n\n', 'data: 2\n\n'])
  })

  it('keeps nothing for a reader that does not read, and gives it the whole when it does', () => {
    const { out, written, state, emitter } = response(false)
    const stream = new EventStream(
      out,
      () => 'the whole',
      () => undefined,
    )
    for (let event = 0; event < 500; event++) stream.push(`${event}`.padEnd(10_000))
    expect(written).toHaveLength(1)
    state.takes = true
    emitter.emit('drain')
    expect(written.at(-1)?.trim()).toBe('data: the whole')
    stream.push('next')
    expect(written.slice(1)).toEqual(['data: the whole\n\n', 'data: next\n\n'])
  })

  it('cuts off whoever reads nothing at all, and says once that it is over', () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] })
    const { out } = response(false)
    const onOver = vi.fn()
    const stream = new EventStream(out, () => null, onOver)
    stream.push('1')
    vi.advanceTimersByTime(50_000)
    expect(out.destroy).not.toHaveBeenCalled()
    vi.advanceTimersByTime(30_000)
    expect(out.destroy).toHaveBeenCalledOnce()
    stream.push('more')
    expect(onOver).toHaveBeenCalledOnce()
    vi.useRealTimers()
  })
})
