import { isSame } from '../core/isSame.ts'
import type { ChannelLive, DeskChange, LiveChange } from './channelLive.ts'
import { changedList, listChange } from './listChange.ts'
import type { DeskView } from './views.ts'

const emptyDesk = (boxId: string): DeskView => ({
  boxId,
  isHeld: false,
  waiting: [],
  forecast: [],
  waitingCount: 0,
  cleared: null,
  current: null,
  log: [],
  sources: [],
})

const facts = [
  'ridge',
  'boards',
  'libraryRevision',
  'databaseTrouble',
  'voicesAreOn',
  'calls',
  'goalsRevision',
  'sponsorsRevision',
] as const
const deskFacts = ['isHeld', 'waitingCount', 'current', 'forecast', 'cleared'] as const
const deskLists = ['waiting', 'log', 'sources'] as const

/** The fields that differ, as they are now. */
function differing<T, K extends keyof T>(before: T, after: T, fields: readonly K[]): Partial<Pick<T, K>> {
  const found = fields.filter((field) => !isSame(before[field], after[field]))
  return Object.fromEntries(found.map((field) => [field, after[field]])) as Partial<Pick<T, K>>
}

const isEmpty = (change: object) => Object.keys(change).length === 0

function deskChange(before: DeskView, after: DeskView): DeskChange | null {
  const lists = Object.fromEntries(
    deskLists.flatMap((list) => {
      const change = listChange<{ id: string }>(before[list], after[list])
      return change ? [[list, change]] : []
    }),
  )
  const change = { ...differing(before, after, deskFacts), ...lists }
  return isEmpty(change) ? null : { boxId: after.boxId, ...change }
}

/**
 * What screens that show one moment have to be told to show another. Linear in what both list.
 * @returns null where they show the same
 */
export function liveChange(before: ChannelLive, after: ChannelLive): LiveChange | null {
  const known = new Map(before.desks.map((desk) => [desk.boxId, desk]))
  const boxIds = after.desks.map(({ boxId }) => boxId)
  const hasOtherBoxes = !isSame(
    before.desks.map(({ boxId }) => boxId),
    boxIds,
  )
  const desks = after.desks.flatMap((desk) => deskChange(known.get(desk.boxId) ?? emptyDesk(desk.boxId), desk) ?? [])
  const change: LiveChange = {
    ...differing(before, after, facts),
    ...(hasOtherBoxes ? { boxIds } : {}),
    ...(desks.length > 0 ? { desks } : {}),
  }
  return isEmpty(change) ? null : change
}

/** The moment that a change leads to. What did not change is the very same object, so that nobody draws it again. */
export function changedLive(before: ChannelLive, { boxIds, desks: changes = [], ...rest }: LiveChange): ChannelLive {
  const known = new Map(before.desks.map((desk) => [desk.boxId, desk]))
  for (const { boxId, waiting, log, sources, ...deskRest } of changes) {
    const desk = known.get(boxId) ?? emptyDesk(boxId)
    known.set(boxId, {
      ...desk,
      ...deskRest,
      ...(waiting ? { waiting: changedList(desk.waiting, waiting) } : {}),
      ...(log ? { log: changedList(desk.log, log) } : {}),
      ...(sources ? { sources: changedList(desk.sources, sources) } : {}),
    })
  }
  const order = boxIds ?? before.desks.map(({ boxId }) => boxId)
  return { ...before, ...rest, desks: order.map((boxId) => known.get(boxId) ?? emptyDesk(boxId)) }
}
