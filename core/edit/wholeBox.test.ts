import { describe, expect, it } from 'vitest'
import { fullPolicy } from '../../test/arrange/policyNight.ts'
import { demoBoxes } from '../../demo/scenario.ts'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { starterVoice } from '../composition/starterParts.ts'
import { copyOf } from '../copyOf.ts'
import { changeBox } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { diffPatches } from './diffPatches.ts'
import { describeDifferences } from './differences/describeDifferences.ts'
import { emptyHistory, redo, remember, undo, type History } from './history.ts'
import { migrateHistory } from './migrateHistory.ts'
import { replaceBox, replacePatches } from './replaceBox.ts'

const file = 'a'.repeat(64)

/** A box that has something of everything. */
function fullBox(): BoxDocument {
  const box = structuredClone(demoBoxes(() => file)[0]!.document)
  const season = { id: 'frost', from: '12-01', to: '01-06', look: { ...box.look, name: 'Frost' }, swaps: [] }
  box.seasons = [season, { ...season, id: 'spring', from: '03-01', to: '03-20' }]
  box.zones = [{ id: 'cam', name: 'Oven cam', purpose: 'camera', xPx: 40, yPx: 40, widthPx: 420, heightPx: 300 }]
  box.packs = [
    {
      id: 'night-counter',
      shelfId: 'shelf-1',
      release: '1.0.0',
      name: 'Night counter',
      wearsLook: false,
      alerts: {},
      values: {},
      exceptions: [],
      own: [],
    } as unknown as BoxDocument['packs'][number],
  ]
  box.design = {
    id: 'own-pack',
    release: '1.0.0',
    name: 'Own',
    author: '',
    licence: 'CC0-1.0',
    about: '',
    dials: [],
  } as never
  box.policy = fullPolicy
  box.alerts[0]!.variations[0]!.composition.parts.push(starterVoice())
  return box
}

type Path = (string | number)[]

/** The place of every plain value in a document. */
function* leaves(of: unknown, path: Path = []): Generator<Path> {
  if (typeof of === 'object' && of !== null)
    for (const [key, value] of Object.entries(of))
      yield* leaves(value, [...path, Array.isArray(of) ? Number(key) : key])
  else yield path
}

const valueAt = (of: unknown, path: Path) => path.reduce((at, key) => (at as never)[key], of)

function otherThan(value: unknown): unknown {
  if (typeof value === 'number') return value + 1
  if (typeof value === 'boolean') return !value
  return value === null ? 'something' : `${String(value)}x`
}

describe('differences', () => {
  const box = fullBox()

  it('says something of every value that differs, wherever it stands, and nothing of what is the same', () => {
    expect(describeDifferences(box, fullBox())).toEqual([])
    const unsaid = [...leaves(box)]
      // Ids tell members apart: another id is another member. Versions are those of today.
      .filter((path) => path.at(-1) !== 'version')
      .filter((path) => {
        const value = otherThan(valueAt(box, path))
        const other = applyPatches(box, [{ op: 'replace', path, value }])
        try {
          return describeDifferences(box, other).length === 0
        } catch {
          // A kind of part or comparison that does not exist cannot be put into words.
          return false
        }
      })
    expect(unsaid.map((path) => path.join('.'))).toEqual([])
  })

  it('says when the same stands in another order', () => {
    const orders: [keyof BoxDocument, string][] = [
      ['seasons', 'Seasons'],
      ['alerts', 'Alerts'],
    ]
    for (const [field, subject] of orders) {
      const turned = { ...box, [field]: [...(box[field] as unknown[])].reverse() }
      expect(describeDifferences(box, turned)).toMatchObject([{ subject, what: 'order' }])
    }
    const alert = box.alerts.findIndex(({ variations }) => variations.length > 2)
    const turned = structuredClone(box)
    turned.alerts[alert]!.variations.reverse()
    expect(describeDifferences(box, turned)).toMatchObject([{ subject: 'Cases', what: 'order' }])
  })

  it('tells rules as sentences', () => {
    const ruled = structuredClone(box)
    const alert = ruled.alerts.find(({ kinds }) => kinds.includes('raid'))!
    const everyday = alert.variations.find(({ rule }) => rule === null)!
    everyday.rule = { match: 'all', of: [{ field: 'party', is: 'atLeast', value: 50 }] }
    const lines = describeDifferences(box, ruled)
    expect(lines).toMatchObject([{ kind: 'raid', what: 'plays', before: 'every time' }])
    expect(lines[0]?.after).toContain('50')
  })
})

describe('replacing a whole box', () => {
  const from = demoBoxes(() => file)[0]!.document
  const to = fullBox()
  to.look = { ...to.look, name: 'Another' }
  to.canvas = { ...to.canvas, framesPerSecond: 30 }

  it('takes every field over, and undo brings every one back', () => {
    expect(applyPatches(from, replacePatches(from, to))).toEqual(to)
    expect(applyPatches(to, replacePatches(to, from))).toEqual(from)
    const fields = Object.keys(boxDocument.shape).filter((field) => !['version', 'stays'].includes(field))
    expect(replacePatches(from, to).map(({ path }) => String(path))).toEqual(expect.arrayContaining(fields))
    const draft = structuredClone(from)
    replaceBox(to, 'all of it').recipe(draft)
    expect(draft).toEqual(to)
  })
})

describe('what can be undone, after an upgrade', () => {
  /** As version 7 stored it: no text knew of being read along, no video of its sound. */
  const asVersion7 = (document: BoxDocument) => {
    const older = structuredClone(document) as unknown as { version: number; alerts: BoxDocument['alerts'] }
    older.version = 7
    for (const { variations } of older.alerts)
      for (const { composition } of variations)
        for (const part of composition.parts) {
          if ('readAlong' in part) delete (part as { readAlong?: unknown }).readAlong
          if ('ownSound' in part) delete (part as { ownSound?: unknown }).ownSound
        }
    return older
  }
  const start = demoBoxes(() => file)[0]!.document
  // What an upgrade makes of pictures: their sound was never heard.
  for (const { variations } of start.alerts)
    for (const { composition } of variations)
      for (const part of composition.parts) if (part.kind === 'picture') part.ownSound.isMuted = true

  it('leads through the same states, in the form of today', () => {
    // The same edits, of which one brings a part, made on today's documents and on the older form.
    const states = [start]
    const edit = (recipe: (draft: BoxDocument) => void) => {
      const changed = changeBox(states.at(-1)!, { label: 'edit', recipe: recipe as never })
      if (!changed.ok) throw new Error(changed.error)
      states.push(changed.value.document)
    }
    edit((draft) => void (draft.alerts[0]!.isOn = !draft.alerts[0]!.isOn))
    edit((draft) => {
      const { parts } = draft.alerts[0]!.variations[0]!.composition
      parts.push({ ...copyOf(parts.find(({ kind }) => kind === 'line')!), id: 'one-more' })
    })
    edit((draft) => void (draft.look.name = 'Renamed'))
    const older = states.map(asVersion7)
    let history: History = emptyHistory
    for (let at = 1; at < older.length; at++) {
      const [before, after] = [older[at - 1], older[at]]
      const change = { label: `step ${at}`, mergeKey: null }
      history = remember(
        history,
        { ...change, patches: diffPatches(before, after), inverse: diffPatches(after, before) },
        at,
      )
    }
    // One step was undone before the program was changed: it can be made again afterwards.
    const undone = undo(history, older[3] as never)!
    let travelled = { history: migrateHistory(undone.history, older[2]!), document: states[2]! }
    const again = redo(travelled.history, travelled.document)!
    expect(again.document).toEqual(states[3])
    travelled = again
    for (const state of [2, 1, 0]) {
      travelled = undo(travelled.history, travelled.document)!
      expect(travelled.document).toEqual(states[state])
    }
    expect(undo(travelled.history, travelled.document)).toBeNull()
  })

  it('is forgotten where it does not fit what was kept', () => {
    const torn = {
      past: [
        { label: 'x', mergeKey: null, patches: [], inverse: [{ op: 'replace', path: ['gone', 4, 'x'], value: 1 }] },
      ],
      future: [],
      lastAtMs: 0,
    } as unknown as History
    expect(migrateHistory(torn, asVersion7(start))).toEqual(emptyHistory)
  })
})
