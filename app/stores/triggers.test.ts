import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { newTrigger, type Trigger } from '../../core/triggers/schema.ts'
import { useTriggersStore } from './triggers.ts'

describe('triggers that are changed', () => {
  /** What the server has; each answer is held back until it is let through. */
  let server: { trigger: Trigger; revision: number }
  let waiting: (() => void)[] = []
  let refuses = false
  const letThrough = async () => {
    await vi.waitFor(() => expect(waiting.length).toBeGreaterThan(0))
    waiting.shift()?.()
  }
  beforeEach(() => {
    setActivePinia(createPinia())
    server = { trigger: newTrigger('bell', 'Bell'), revision: 0 }
    waiting = []
    refuses = false
    vi.stubGlobal('fetch', async (_path: string, { method, body }: { method: string; body?: string }) => {
      if (method === 'PUT') {
        await new Promise<void>((resolve) => waiting.push(resolve))
        const asked = JSON.parse(body ?? '{}') as typeof server
        if (refuses || asked.revision !== server.revision)
          return new Response('{"detail":"Somebody else has changed it."}', { status: 409 })
        server = { trigger: asked.trigger, revision: server.revision + 1 }
      }
      return Response.json({ triggers: [server] })
    })
  })
  afterEach(() => vi.unstubAllGlobals())

  const again = (fields: Partial<Trigger['gate']['againAfter']>, from: Trigger['gate']) => (trigger: Trigger) => ({
    ...trigger,
    gate: { ...trigger.gate, againAfter: { ...from.againAfter, ...fields } },
  })

  it('are shown as changed at once, so that what is changed next is made of that, though nothing is kept yet', async () => {
    const triggers = useTriggersStore()
    await triggers.load()
    const gate = () => triggers.find('bell')!.trigger.gate
    const first = triggers.change('bell', again({ allMs: 45_000 }, gate()))
    const second = triggers.change('bell', again({ viewerMs: 600_000 }, gate()))
    expect(gate().againAfter).toEqual({ allMs: 45_000, viewerMs: 600_000 })
    await letThrough()
    await first
    // The answer to the first does not take the second from the screen.
    expect(gate().againAfter.viewerMs).toBe(600_000)
    await letThrough()
    await second
    expect(server.trigger.gate.againAfter).toEqual({ allMs: 45_000, viewerMs: 600_000 })
    const undone = triggers.undo()
    await letThrough()
    expect(await undone).toBe('bell')
    expect(server.trigger.gate.againAfter).toEqual({ allMs: 45_000, viewerMs: 0 })
  })

  it('are as the server has them where it refuses', async () => {
    const triggers = useTriggersStore()
    await triggers.load()
    refuses = true
    const changed = triggers.change('bell', (trigger) => ({ ...trigger, name: 'Gong' }))
    expect(triggers.find('bell')?.trigger.name).toBe('Gong')
    await letThrough()
    await expect(changed).rejects.toThrow('Somebody else')
    expect([triggers.find('bell')?.trigger.name, triggers.canUndo]).toEqual(['Bell', false])
  })
})
