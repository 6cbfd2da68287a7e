import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { toast } from 'vue-sonner'
import type { BoxDocument } from '../../core/composition/box.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { applyPatches } from '../../core/edit/change.ts'
import { changeParts } from '../../core/edit/changeParts.ts'
import { setScoreLength } from '../../core/edit/setScoreLength.ts'
import { useUndoNotice } from '../composables/useUndoNotice.ts'
import { useDraftStore } from './draft.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const address = { alertId: 'follow', variationId: 'follow-everyday' }
const start: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
const words = (template: string) =>
  changeParts(address, ['headline'], 'line', 'words', (part) => void (part.template = template))
const headlineOf = (document: BoxDocument | null) =>
  document?.alerts[0]?.variations[0]?.composition.parts.find((part) => part.id === 'headline')

/** A server with one box: answers as the real one, and can be made to fail. */
function server() {
  const state = {
    document: start,
    revision: 7,
    saves: [] as { baseRevision: number; patches: unknown[] }[],
    status: 200,
  }
  const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status })
  vi.stubGlobal('fetch', async (_path: string, { method, body }: { method: string; body?: string }) => {
    if (state.status === 0) throw new TypeError('failed to fetch')
    if (state.status !== 200)
      return answer(state.status, { detail: `refused with ${state.status}`, status: state.status, title: '', type: '' })
    if (method === 'GET')
      return answer(200, {
        id: 'box',
        name: 'Night counter',
        document: state.document,
        revision: state.revision,
        airDocument: start,
        onAir: { number: 1 },
        differsFromAir: false,
      })
    const save = JSON.parse(body ?? '') as { baseRevision: number; patches: Parameters<typeof applyPatches>[1] }
    if (save.baseRevision !== state.revision) return answer(409, { detail: 'Somebody else changed this box' })
    state.saves.push(save)
    state.document = applyPatches(state.document, save.patches)
    state.revision += 1
    return answer(200, { revision: state.revision })
  })
  return state
}

/** The browser's storage. */
function storage() {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  return kept
}

describe('the draft', () => {
  let remote: ReturnType<typeof server>
  let kept: Map<string, string>
  let draft: ReturnType<typeof useDraftStore>

  beforeEach(async () => {
    vi.useFakeTimers()
    remote = server()
    kept = storage()
    setActivePinia(createPinia())
    draft = useDraftStore()
    await draft.open('box')
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  const unsaved = () => (JSON.parse([...kept.values()][0] ?? 'null') as { unsaved: unknown } | null)?.unsaved ?? null
  const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms)

  it('saves by itself, half a second after the last edit, in one go', async () => {
    draft.edit(words('a'))
    await pass(300)
    draft.edit(words('ab'))
    expect(draft.saveState).toBe('waiting')
    await pass(400)
    expect(remote.saves).toHaveLength(0)
    await pass(200)
    expect(remote.saves).toMatchObject([{ baseRevision: 7 }])
    expect(remote.document).toEqual(draft.document)
    expect(draft.saveState).toBe('saved')
  })

  it('sends undo and redo as edits, so that the server follows', async () => {
    draft.edit(words('a'))
    await pass(600)
    draft.undo()
    await pass(600)
    expect(remote.document).toEqual(start)
    draft.redo()
    await pass(600)
    expect(headlineOf(remote.document)).toMatchObject({ template: 'a' })
    expect([draft.undoLabel, draft.redoLabel]).toEqual(['words', null])
  })

  it('changes and sends nothing for an edit that would not be valid, and says why', async () => {
    draft.edit(setScoreLength(address, { rule: 'fixed', ms: 999_999 }))
    await pass(1000)
    expect(draft.refusal).toContain('length')
    expect([draft.document, remote.saves.length]).toEqual([start, 0])
    draft.edit(words('fine again'))
    expect(draft.refusal).toBeNull()
  })

  it('keeps edits while the server cannot be reached, and sends them all when it is back', async () => {
    remote.status = 0
    draft.edit(words('offline'))
    await pass(600)
    draft.edit(setScoreLength(address, { rule: 'fixed', ms: 8000 }))
    expect(draft.saveState).not.toBe('saved')
    await pass(600)
    expect(unsaved()).not.toBeNull()
    await pass(4000)
    expect(draft.saveState).toBe('offline')
    remote.status = 200
    await pass(4000)
    expect(draft.saveState).toBe('saved')
    expect(remote.document).toEqual(draft.document)
    expect(unsaved()).toBeNull()
  })

  it('finds again in a new tab what the server never got', async () => {
    remote.status = 503
    draft.edit(words('closed too early'))
    await pass(600)
    setActivePinia(createPinia())
    const again = useDraftStore()
    remote.status = 200
    await again.open('box')
    expect(headlineOf(again.document)).toMatchObject({ template: 'closed too early' })
    await pass(600)
    expect(headlineOf(remote.document)).toMatchObject({ template: 'closed too early' })
  })

  const isOffByThem = () => applyPatches(start, [{ op: 'replace', path: ['alerts', 0, 'isOn'], value: false }])

  it('does not put old edits on top of somebody else’s newer ones, and does not lose them either', async () => {
    remote.status = 0
    draft.edit(words('mine, from yesterday'))
    await pass(600)
    remote.status = 200
    remote.revision = 12
    remote.document = isOffByThem()
    setActivePinia(createPinia())
    const again = useDraftStore()
    await again.open('box')
    await pass(2000)
    expect([again.saveState, remote.saves.length]).toEqual(['conflict', 0])
    expect(again.conflict).toMatchObject({
      theirChanges: [{ what: 'switched' }],
      myChanges: [{ what: 'words' }],
      clashes: 0,
    })
  })

  it('stops at a conflict, overwrites nothing, and brings both together when asked', async () => {
    remote.revision = 9
    remote.document = isOffByThem()
    draft.edit(words('mine'))
    await pass(600)
    expect(draft.saveState).toBe('conflict')
    draft.edit(words('mine, still'))
    await pass(10_000)
    expect(remote.saves).toHaveLength(0)
    draft.settle('both')
    await pass(600)
    expect(headlineOf(remote.document)).toMatchObject({ template: 'mine, still' })
    expect(remote.document.alerts[0]?.isOn).toBe(false)
    expect([draft.saveState, draft.conflict, unsaved()]).toEqual(['saved', null, null])
  })

  it('takes theirs when asked, and undo brings mine back', async () => {
    remote.revision = 9
    remote.document = isOffByThem()
    draft.edit(words('mine'))
    await pass(600)
    draft.settle('theirs')
    expect([draft.saveState, draft.document?.alerts[0]?.isOn]).toEqual(['saved', false])
    draft.undo()
    expect(headlineOf(draft.document)).toMatchObject({ template: 'mine' })
    await pass(600)
    expect(draft.saveState).toBe('saved')
  })

  it('can undo after the page was loaded again', async () => {
    draft.edit(words('before the reload'))
    await pass(600)
    setActivePinia(createPinia())
    const again = useDraftStore()
    await again.open('box')
    expect(again.undoLabel).toBe('words')
    again.undo()
    await pass(600)
    expect(remote.document).toEqual(start)
  })

  it('forgets what could be undone when somebody else has saved since', async () => {
    draft.edit(words('then somebody else came'))
    await pass(600)
    remote.revision += 1
    setActivePinia(createPinia())
    const again = useDraftStore()
    await again.open('box')
    expect(again.undoLabel).toBeNull()
  })

  it('does not try again and again what the server refuses', async () => {
    remote.status = 422
    draft.edit(words('x'))
    await pass(20_000)
    expect([draft.saveState, draft.refusal]).toEqual(['refused', 'refused with 422'])
  })

  it('lists what differs from air, once edits pause', async () => {
    await pass(200)
    expect(draft.differences).toEqual([])
    draft.edit(words('new words'))
    await pass(200)
    expect(draft.differences).toMatchObject([{ subject: 'Headline', what: 'words', after: '“new words”' }])
  })

  it('a notice offers the way back of its own step, and goes when another comes after it', async () => {
    const notices = vi.spyOn(toast, 'success')
    const dismissed = vi.spyOn(toast, 'dismiss').mockReturnValue('')
    const notify = useUndoNotice()
    draft.edit(words('carried over'))
    notify('Carried over to 1 place.')
    const action = notices.mock.lastCall?.[1]?.action as { label: string; onClick: () => void }
    await pass(1000)
    expect(dismissed).not.toHaveBeenCalled()
    draft.edit(words('another'))
    await pass(1000)
    expect(dismissed).toHaveBeenCalledWith(notices.mock.results[0]?.value)
    draft.undo()
    action.onClick()
    expect(draft.document).toEqual(start)
  })
})
