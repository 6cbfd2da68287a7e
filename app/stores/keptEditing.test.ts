import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { BoxDocument } from '../../core/composition/box.ts'
import { plainBox } from '../../core/composition/plainBox.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { emptyHistory, type History } from '../../core/edit/history.ts'
import { keepEditing, readEditing } from './keptEditing.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const box = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
// What an upgrade makes of pictures: the sound of their videos was never heard.
for (const part of box.alerts[0]?.variations[0]?.composition.parts ?? [])
  if (part.kind === 'picture') part.ownSound.isMuted = true
const renamed: BoxDocument = { ...box, look: { ...box.look, name: 'Renamed' } }
const history: History = {
  past: [
    {
      label: 'name',
      mergeKey: null,
      patches: [{ op: 'replace', path: ['look', 'name'], value: 'Renamed' }],
      inverse: [{ op: 'replace', path: ['look', 'name'], value: box.look.name }],
    },
  ],
  future: [],
  lastAtMs: 5,
}
/** As version 7 stored it. */
function asVersion7(document: BoxDocument) {
  const older = structuredClone(document) as unknown as { version: number; alerts: BoxDocument['alerts'] }
  older.version = 7
  for (const part of older.alerts[0]?.variations[0]?.composition.parts ?? [])
    for (const field of ['readAlong', 'ownSound'] as const) delete (part as { [K in typeof field]?: unknown })[field]
  return older
}

describe('what the browser keeps of a box', () => {
  let kept: Record<string, string>
  let room = Infinity

  beforeEach(() => {
    kept = {}
    room = Infinity
    const storage = {
      getItem: (key: string) => kept[key] ?? null,
      setItem(key: string, value: string) {
        const others = Object.entries(kept).reduce((sum, [other, text]) => sum + (other === key ? 0 : text.length), 0)
        if (others + value.length > room) throw new DOMException('full', 'QuotaExceededError')
        kept[key] = value
      },
      removeItem: (key: string) => void delete kept[key],
    }
    // Its keys are what a storage lists of itself.
    vi.stubGlobal(
      'localStorage',
      new Proxy(storage, {
        ownKeys: () => [...Object.keys(kept)],
        getOwnPropertyDescriptor: (_of, key) => ({ configurable: true, enumerable: true, value: kept[String(key)] }),
      }),
    )
  })
  afterEach(() => vi.unstubAllGlobals())

  it('comes back as it was', () => {
    const editing = { baseRevision: 4, base: box, mine: renamed, history }
    keepEditing('box', editing)
    expect(readEditing('box')).toEqual(editing)
    expect(readEditing('other')).toBeNull()
  })

  it('is brought to the form of today after an upgrade: edits, what they began with, and what can be undone', () => {
    kept['thundercrest.editing.box'] = JSON.stringify({
      baseRevision: 4,
      base: asVersion7(box),
      mine: asVersion7(renamed),
      history,
    })
    expect(readEditing('box')).toEqual({ baseRevision: 4, base: box, mine: renamed, history })
  })

  it('is read as the version before wrote it', () => {
    kept['thundercrest.editing.box'] = JSON.stringify({
      baseRevision: 4,
      unsaved: { base: asVersion7(box), mine: asVersion7(renamed), patches: [] },
      history,
    })
    expect(readEditing('box')).toMatchObject({ base: box, mine: renamed, history })
  })

  it('makes room by what could be undone elsewhere, then by what could be undone here, and loses no edits', () => {
    keepEditing('saved', { baseRevision: 1, base: null, mine: box, history })
    keepEditing('unsaved', { baseRevision: 1, base: box, mine: renamed, history })
    const one = kept['thundercrest.editing.unsaved']!.length
    room = one * 2 + 10
    keepEditing('box', { baseRevision: 1, base: box, mine: renamed, history })
    expect(Object.keys(kept).sort()).toEqual(['thundercrest.editing.box', 'thundercrest.editing.unsaved'])
    room = one * 2 - 100
    keepEditing('box', { baseRevision: 2, base: box, mine: renamed, history })
    expect(readEditing('box')).toEqual({ baseRevision: 2, base: box, mine: renamed, history: emptyHistory })
    expect(readEditing('unsaved')?.history).toEqual(history)
  })

  it('is nothing where it cannot be understood', () => {
    kept['thundercrest.editing.box'] = '{"baseRevision":4,"base":null,"mine":{"version":99},"history":{"past":[]}}'
    expect(readEditing('box')).toBeNull()
  })
})
