import { describe, expect, it } from 'vitest'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import { copiedFrom, copiedParts, clipboardText, partsFor, readClipboard, type Copied } from './clipboardText.ts'

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 30 }
const files = { pictureId: null, soundId: null }
const box: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, files), starterAlert('tip', canvas, files)])
const address = { alertId: 'tip', variationId: box.alerts[1]?.variations[0]?.id ?? '' }
const readAgain = (copied: Copied | null) => copied && (readClipboard(clipboardText(copied)) as Copied)

describe('what stands in the clipboard', () => {
  it('is a case with its box around it and nothing else of the box', () => {
    const copied = readAgain(copiedFrom(box, address, null))
    expect(copied).toMatchObject({ what: 'case', address })
    expect(copied?.from.alerts).toEqual([box.alerts[1]])
    expect([copied?.from.packs, copied?.from.policy, copied?.from.canvas]).toEqual([[], [], canvas])
    expect(boxDocument.safeParse(copied?.from).success).toBe(true)
  })
  it('is some parts in the order of the case, whatever the order in which they were selected', () => {
    const copied = readAgain(copiedFrom(box, address, ['second', 'headline']))
    const order = box.alerts[1]?.variations[0]?.composition.parts.map(({ id }) => id) ?? []
    expect(copied && copiedParts(copied).map(({ id }) => id)).toEqual(
      order.filter((id) => ['headline', 'second'].includes(id)),
    )
    expect(copied?.what).toBe('parts')
  })
  it('is nothing where there is nothing of it', () => {
    expect(copiedFrom(box, { alertId: 'raid', variationId: 'x' }, null)).toBeNull()
    expect(copiedFrom(box, address, ['gone'])).toBeNull()
  })
  it('of an earlier version is brought to today', () => {
    const copied = copiedFrom(box, address, null)
    const text = JSON.parse(copied ? clipboardText(copied) : '') as { box: { version: number; policy?: unknown } }
    text.box.version = 8
    delete text.box.policy
    const read = readClipboard(JSON.stringify(text))
    expect(read).toMatchObject({ what: 'case' })
    expect((read as Copied).from.policy.length).toBeGreaterThan(0)
  })
  it.each([
    ['an address', 'https://example.org', 'other'],
    ['nothing', '', 'other'],
    ['another JSON', '{"name":"thundercrest"}', 'other'],
    ['a text about us', 'write "thundercrest" in quotes', 'broken'],
    ['half of it', '{"thundercrest":"clipboard","what":"case","box":{', 'broken'],
    ['a later version', '{"thundercrest":"clipboard","what":"case","box":{"version":1000}}', 'broken'],
    [
      'a box without an alert',
      JSON.stringify({ thundercrest: 'clipboard', what: 'case', box: { ...box, alerts: [] } }),
      'broken',
    ],
  ])('that is %s is told from ours', (_, text, told) => expect(readClipboard(text)).toBe(told))
  it('knows which parts stand in boxes and which on boards', () => {
    const copied = copiedFrom(box, address, null) as Copied
    const kinds = (stays?: true) => new Set(partsFor(copied, stays ? { stays } : {}).map(({ kind }) => kind))
    expect(kinds().has('sound')).toBe(copiedParts(copied).some(({ kind }) => kind === 'sound'))
    expect(kinds(true).has('sound')).toBe(false)
    expect(kinds(true).has('line')).toBe(true)
  })
})
