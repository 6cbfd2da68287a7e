import { defineEventHandler, setResponseStatus } from 'h3'
import { goalForMadeUp, madeUp } from '../../../../core/board/boardStates.ts'
import { requireBox } from '../../../auth/access.ts'
import { useBoards } from '../../../boards/port.ts'
import { useChannels } from '../../../channel/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { goalsView } from '../../../goals/goalViews.ts'
import { pathId } from '../../../http/pathId.ts'
import { problemError } from '../../../system/problemError.ts'
import { useRuntime } from '../../../system/runtimePort.ts'

/** Between what stands and what changes; and how long all of it is shown. */
const stepMs = 1200
const lastsMs = 8000

/** Shows something made up on the sources of a board for a while. Nothing of it is kept, and nothing counts. */
export default defineEventHandler(async (event) => {
  const { box } = await requireBox(event, pathId(event, 'boardId'), 'moderator')
  if (!box.isBoard) throw problemError(404, 'There is no such board in this channel.')
  const [{ boards }, { onAir }, { database }, { clock }] = await Promise.all([
    useBoards(),
    useChannels(),
    useDatabase(),
    useRuntime(),
  ])
  const { currency, locale, timeZone } = await onAir.read(box.channelId)
  const { goals, past } = await goalsView(database.db, box.channelId, clock.wallMs(), timeZone)
  const context = {
    ...{ nowMs: clock.wallMs(), currency, locale },
    goals: [...goals, ...past].map(({ goal }) => goalForMadeUp(goal)),
  }
  boards.test(box.id, (want) => madeUp(want, 'arrives', context), stepMs, lastsMs)
  setResponseStatus(event, 202)
  return { lastsMs }
})
