import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { BoxDocument } from '../../core/composition/box.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { groupParts } from '../../core/edit/groupParts.ts'
import { copiedParts } from '../../core/edit/clipboardText.ts'
import { useClipboardStore } from './clipboard.ts'
import { useDraftStore } from './draft.ts'
import { useScoreRoomStore } from './scoreRoom.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const media = { pictureId: null, soundId: null }
const box: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, media), starterAlert('tip', canvas, media)])

function openBox() {
  vi.stubGlobal(
    'fetch',
    async () =>
      new Response(
        JSON.stringify({
          id: 'box',
          name: 'Night counter',
          document: box,
          revision: 1,
          airDocument: null,
          onAir: null,
          differsFromAir: true,
        }),
      ),
  )
  return useDraftStore().open('box')
}

let kept: Map<string, string>
beforeEach(async () => {
  kept = new Map()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  })
  setActivePinia(createPinia())
  await openBox()
})

describe('selecting', () => {
  it('shows the part that was selected last, and takes one out again', () => {
    const room = useScoreRoomStore()
    room.select('headline')
    room.select('second', true)
    expect([room.part?.id, room.selected.map((part) => part.id)]).toEqual(['second', ['headline', 'second']])
    room.select('second', true)
    expect(room.partIds).toEqual(['headline'])
    room.select(null, true)
    expect(room.partIds).toEqual(['headline'])
    room.select(null)
    expect(room.part).toBeNull()
  })

  it('takes a group as one', () => {
    const room = useScoreRoomStore()
    const draft = useDraftStore()
    if (room.address && room.composition)
      draft.edit(groupParts(room.address, room.composition, ['picture', 'headline']))
    room.select('picture')
    expect([...room.partIds].sort()).toEqual(['headline', 'picture'])
    expect(room.part?.id).toBe('picture')
    room.select('headline', true)
    expect(room.partIds).toEqual([])
  })

  it('keeps parts of the same name when another alert is opened', async () => {
    const room = useScoreRoomStore()
    room.select('headline')
    room.alertId = 'tip'
    await nextTick()
    expect([room.alert?.kinds[0], room.part?.id]).toEqual(['tip', 'headline'])
  })
})

describe('the clipboard', () => {
  it('pastes into another alert, and what was pasted is selected', async () => {
    const room = useScoreRoomStore()
    const clipboard = useClipboardStore()
    room.select('headline')
    room.select('second', true)
    expect(clipboard.copy()).toContain('"thundercrest"')
    room.alertId = 'tip'
    await nextTick()
    clipboard.paste()
    expect(room.partIds).toEqual(['headline-2', 'second-2'])
    expect(room.parts.find((part) => part.id === 'second-2')?.clip.start.at).toBe('headline-2.entered')
    expect(useDraftStore().undoLabel).toBe('paste 2 parts')
  })

  it('is there in another tab, and forgets what it cannot read', () => {
    const room = useScoreRoomStore()
    room.select('picture')
    useClipboardStore().copy()
    setActivePinia(createPinia())
    const copiedPartIds = () => {
      const { copied } = useClipboardStore()
      return copied ? copiedParts(copied).map((part) => part.id) : null
    }
    expect(copiedPartIds()).toEqual(['picture'])
    kept.set('thundercrest.clipboard', '{"parts":[{"kind":"script"}]}')
    setActivePinia(createPinia())
    expect(useClipboardStore().copied).toBeNull()
  })

  it('copies the case where no part is selected, and pastes it before the others of its alert', () => {
    const room = useScoreRoomStore()
    room.select(null)
    const before = room.alert?.variations.map(({ id }) => id) ?? []
    const clipboard = useClipboardStore()
    const text = clipboard.copy() ?? ''
    expect(clipboard.pasteText(text)).toEqual({ done: 'case', leftOut: 0 })
    const after = room.alert?.variations.map(({ id }) => id) ?? []
    expect(after).toHaveLength(before.length + 1)
    expect(after.slice(1)).toEqual(before)
    expect(room.variation?.id).toBe(after[0])
    useDraftStore().undo()
    expect(room.alert?.variations.map(({ id }) => id)).toEqual(before)
  })

  it('leaves everything as it is where a text is none of ours', () => {
    const clipboard = useClipboardStore()
    const { document } = useDraftStore()
    expect(clipboard.pasteText('https://example.org')).toEqual({ refused: 'other' })
    expect(clipboard.pasteText('{"thundercrest":"clipboard","box":{"version":99}}')).toEqual({ refused: 'broken' })
    expect(useDraftStore().document).toBe(document)
  })

  it('offers style and motion only where they mean something', () => {
    const room = useScoreRoomStore()
    const clipboard = useClipboardStore()
    room.select('sound')
    expect([clipboard.canPasteStyle, clipboard.canPasteMotion]).toEqual([false, false])
    room.select('headline')
    clipboard.copy()
    room.select('picture')
    expect([clipboard.canPasteStyle, clipboard.canPasteMotion]).toEqual([false, true])
    room.select('second')
    expect(clipboard.canPasteStyle).toBe(true)
    clipboard.pasteStyle()
    expect(room.part).toMatchObject({ sizePx: 112, template: 'is now following' })
  })

  it('duplicates where it stands, a little aside', () => {
    const room = useScoreRoomStore()
    room.select('picture')
    useClipboardStore().duplicate()
    expect(room.part).toMatchObject({ id: 'picture-2', place: { xPx: 984 } })
  })
})
