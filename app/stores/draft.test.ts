import type { Patches } from 'mutative'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { toast } from 'vue-sonner'
import type { BoxDocument } from '../../core/composition/box.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { applyPatches } from '../../core/edit/applyPatches.ts'
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

/** A server with boxes that all begin alike: answers as the real one, can be made to fail and to take its time. */
function server() {
  const boxOf = () => ({ document: start, revision: 7, saves: [] as { baseRevision: number; patches: unknown[] }[] })
  const boxes: Record<string, ReturnType<typeof boxOf>> = { box: boxOf(), other: boxOf() }
  const state = { ...boxes.box!, status: 200, takesMs: 0, published: [] as number[] }
  boxes.box = state
  const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status })
  const viewOf = (id: string, { document, revision }: ReturnType<typeof boxOf>) => ({
    id,
    name: 'Night counter',
    document,
    revision,
    airDocument: start,
    onAir: { number: 1 },
    differsFromAir: false,
  })
  vi.stubGlobal('fetch', async (path: string, { method, body }: { method: string; body?: string }) => {
    if (state.takesMs > 0 && method !== 'GET') await new Promise((resolve) => setTimeout(resolve, state.takesMs))
    if (state.status === 0) throw new TypeError('failed to fetch')
    if (state.status !== 200)
      return answer(state.status, { detail: `refused with ${state.status}`, status: state.status, title: '', type: '' })
    const [, id = '', what] = /^\/api\/boxes\/(\w+)(?:\/(\w+))?/.exec(path) ?? []
    const box = boxes[id]!
    if (method === 'GET') return answer(200, viewOf(id, box))
    const sent = JSON.parse(body ?? '') as { baseRevision: number; revision: number; patches: Patches }
    if ((what === 'versions' ? sent.revision : sent.baseRevision) !== box.revision)
      return answer(409, { detail: 'Somebody else changed this box' })
    if (what === 'versions') {
      state.published.push(sent.revision)
      return answer(201, viewOf(id, box))
    }
    box.saves.push(sent)
    box.document = applyPatches(box.document, sent.patches)
    box.revision += 1
    return answer(200, { revision: box.revision })
  })
  return Object.assign(state, { other: boxes.other! })
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
  const unsaved = () => (JSON.parse([...kept.values()][0] ?? 'null') as { base: unknown } | null)?.base ?? null
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

  it('tries again with the next edit, so that undoing what was refused mends it', async () => {
    remote.status = 422
    draft.edit(words('x'))
    await pass(1000)
    remote.status = 200
    draft.undo()
    await pass(1000)
    expect([draft.saveState, draft.refusal, remote.document]).toEqual(['saved', null, start])
  })

  it('saves a box that is left during its autosave as that box, and the next one as the next', async () => {
    remote.takesMs = 300
    draft.edit(words('in the first'))
    await pass(600)
    expect(draft.saveState).toBe('saving')
    draft.edit(words('in the first, still typing'))
    const opening = draft.open('other')
    await pass(0)
    await opening
    draft.edit(words('in the other'))
    await pass(3000)
    expect([draft.saveState, draft.conflict]).toEqual(['saved', null])
    expect(headlineOf(remote.document)).toMatchObject({ template: 'in the first, still typing' })
    expect(headlineOf(remote.other.document)).toMatchObject({ template: 'in the other' })
    await draft.open('box')
    expect(headlineOf(draft.document)).toMatchObject({ template: 'in the first, still typing' })
    expect([draft.saveState, draft.undoLabel]).toEqual(['saved', 'words'])
  })

  it('goes on trying to save a box that was left while the server could not be reached', async () => {
    remote.status = 0
    draft.edit(words('left offline'))
    await pass(600)
    remote.status = 200
    await draft.open('other')
    await pass(4000)
    expect(headlineOf(remote.document)).toMatchObject({ template: 'left offline' })
  })

  it('puts on air during an autosave: what is shown, with the revision that it then has', async () => {
    remote.takesMs = 300
    draft.edit(words('one'))
    await pass(600)
    draft.edit(words('two'))
    const published = draft.putOnAir()
    draft.edit(words('three'))
    await pass(3000)
    await published
    expect(remote.published).toEqual([remote.revision])
    expect(headlineOf(remote.document)).toMatchObject({ template: 'three' })
  })

  it('asks for a save while one is under way only once more, for all of it', async () => {
    remote.takesMs = 200
    draft.edit(words('one'))
    const first = draft.save()
    await pass(50)
    draft.edit(words('two'))
    const second = draft.save()
    await pass(1000)
    await Promise.all([first, second])
    expect([draft.saveState, remote.saves.length]).toEqual(['saved', 2])
  })

  it('saves a long drag of many parts as the places that it set, and one undo brings all back', async () => {
    const many: BoxDocument = structuredClone(start)
    const parts = many.alerts[0]!.variations[0]!.composition.parts
    const line = parts.find(({ id }) => id === 'headline')!
    const ids = Array.from({ length: 30 }, (_, index) => `part-${index}`)
    parts.push(...ids.map((id) => ({ ...structuredClone(line), id })))
    remote.document = many
    await draft.open('box')
    remote.status = 0
    for (let step = 1; step <= 300; step++) {
      const by = step
      draft.edit({
        label: 'moved',
        mergeKey: 'drag',
        recipe: (box) => {
          for (const part of box.alerts[0]!.variations[0]!.composition.parts)
            // Caught by a guide now and then, a step moves in one direction only.
            if (ids.includes(part.id) && 'place' in part) {
              part.place.xPx = by
              if (by % 7 !== 0) part.place.yPx = by * 2
            }
        },
      })
      await pass(16)
    }
    remote.status = 200
    await pass(5000)
    expect(draft.saveState).toBe('saved')
    expect(remote.saves.at(-1)?.patches).toHaveLength(60)
    expect(remote.document).toEqual(draft.document)
    draft.undo()
    expect(draft.document).toEqual(many)
  })

  it('says what takes more patches than a save accepts field by field', async () => {
    const crowded: BoxDocument = structuredClone(start)
    const parts = crowded.alerts[0]!.variations[0]!.composition.parts
    const line = parts.find(({ id }) => id === 'headline')!
    parts.push(...Array.from({ length: 190 }, (_, index) => ({ ...structuredClone(line), id: `part-${index}` })))
    const alert = crowded.alerts[0]!
    alert.variations = Array.from({ length: 30 }, (_, index) => ({
      ...structuredClone(alert.variations[0]!),
      id: `case-${index}`,
    }))
    remote.document = crowded
    await draft.open('box')
    draft.edit({
      label: 'fainter',
      recipe: (box) => {
        for (const { composition } of box.alerts[0]!.variations)
          for (const part of composition.parts) if ('opacity' in part) part.opacity = 0.5
      },
    })
    await pass(600)
    expect(draft.saveState).toBe('saved')
    expect(remote.saves.at(-1)?.patches).toMatchObject([{ path: ['alerts'] }])
    expect(remote.document).toEqual(draft.document)
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
