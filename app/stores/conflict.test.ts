import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../../core/composition/box.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { applyPatches } from '../../core/edit/applyPatches.ts'
import { undo } from '../../core/edit/history.ts'
import type { BoxView } from '../../contract/views.ts'
import { replacePatches } from '../../core/edit/replaceBox.ts'
import { describeConflict, oneStepHistory } from './conflict.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const base: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
const viewOf = (document: BoxDocument): BoxView => ({
  id: 'box',
  isBoard: false,
  name: 'Night counter',
  document,
  revision: 4,
  airDocument: null,
  onAir: null,
  differsFromAir: true,
})
const withLook = (name: string): BoxDocument => ({ ...base, look: { ...base.look, name } })
const zoned: BoxDocument = {
  ...base,
  zones: [{ id: 'cam', name: 'Oven cam', purpose: 'camera', xPx: 0, yPx: 0, widthPx: 100, heightPx: 100 }],
}

describe('a conflict', () => {
  it('keeps both where they do not touch', () => {
    const conflict = describeConflict(base, zoned, viewOf(withLook('Winter')), {})
    expect(conflict.clashes).toBe(0)
    expect([conflict.merged?.look.name, conflict.merged?.zones.length]).toEqual(['Winter', 1])
    expect(conflict.theirChanges).toMatchObject([{ subject: 'Look' }])
  })
  it('counts what both changed, and keeps mine there', () => {
    const conflict = describeConflict(base, withLook('Mine'), viewOf(withLook('Theirs')), {})
    expect([conflict.clashes, conflict.merged?.look.name]).toEqual([1, 'Mine'])
  })
})

describe('replacing a document', () => {
  it('touches only the fields that differ', () => {
    expect(replacePatches(base, zoned).map((patch) => patch.path)).toEqual([['zones']])
    expect(applyPatches(base, replacePatches(base, zoned))).toEqual(zoned)
  })
  it('is one step that can be undone', () => {
    const history = oneStepHistory('take theirs', zoned, base, 1)
    expect(undo(history, base)).toMatchObject({ label: 'take theirs', document: zoned })
  })
})
