import { defineEventHandler } from 'h3'
import { slicesBody, type SlicesView } from '../../../../contract/boards.ts'
import { wantKey } from '../../../../core/board/want.ts'
import { requireBox } from '../../../auth/access.ts'
import { useBoards } from '../../../boards/port.ts'
import { useChannels } from '../../../channel/port.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useRuntime } from '../../../system/runtimePort.ts'

/** What parts of a board would be told now: for a draft, which no source shows. */
export default defineEventHandler(async (event) => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'moderator')
  const { wants } = await readChecked(event, slicesBody)
  const [{ sliceReader }, { onAir }, { clock }] = await Promise.all([useBoards(), useChannels(), useRuntime()])
  const channel = await onAir.read(box.channelId)
  const slices: SlicesView['slices'] = []
  for (const want of wants)
    slices.push({ key: wantKey(want), slice: await sliceReader.read(box.channelId, channel, want) })
  return { slices, nowMs: clock.wallMs() } satisfies SlicesView
})
