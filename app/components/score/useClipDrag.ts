import { shallowRef, type Ref } from 'vue'
import { toast } from 'vue-sonner'
import { dragClip, tieEdge, untieEdge, type ClipHandle } from '../../../core/edit/clipEdits.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { momentOf, type ScoreRow } from '../../../core/score/rows.ts'
import type { Composition } from '../../../core/composition/schema.ts'
import type { Result } from '../../../core/result.ts'
import type { SolveError } from '../../../core/score/solve.ts'
import { copyOf } from '../../../core/copyOf.ts'
import { findVariation } from '../../../core/edit/findVariation.ts'
import { changeBox } from '../../../core/edit/change.ts'
import { useShownLook } from '../../composables/useShownLook.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { faultWords } from '../stage/faultWords.ts'
import { catchPx, nearest, type TimeScale } from './timeScale.ts'

/** A tie being drawn from a clip's edge to wherever the pointer is; `target` is what it would hang on. */
export interface DrawnTie {
  partId: string
  which: 'start' | 'end'
  fromMs: number
  fromRow: number
  toMs: number
  toY: number
  target: { at: string; row: number; atMs: number } | null
}

interface Setting {
  field: Ref<HTMLElement | undefined>
  rows: Ref<readonly ScoreRow[]>
  scale: Ref<TimeScale>
  tMs: Ref<number>
  lengthMs: Ref<number>
  canEdit: Ref<boolean>
  rowHeightPx: number
  /** Settles a composition as the shown one is settled; null while nothing is shown. */
  settle: Settle
}

export type Settle = (composition: Composition) => Result<unknown, SolveError> | null

const anchorPoints = ['start', 'entered', 'leaving', 'end'] as const
const handleWords: Record<ClipHandle, string> = {
  whole: 'moved in time',
  start: 'start',
  end: 'end',
  entrance: 'entrance time',
  exit: 'exit time',
}

/** Dragging clips, their edges, their phases, and ties between them. */
export function useClipDrag({ field, rows, scale, tMs, lengthMs, canEdit, rowHeightPx, settle }: Setting) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const look = useShownLook()
  const tie = shallowRef<DrawnTie | null>(null)

  const msPerPx = () => scale.value.spanMs / Math.max(1, field.value?.clientWidth ?? 1)

  /** Moments that an edge jumps to when it comes near: other clips' edges, the playhead, the ends of the score. */
  const momentsFor = (partId: string) => [
    0,
    lengthMs.value,
    tMs.value,
    ...rows.value
      .filter((row) => row.partId !== partId)
      .flatMap((row) => anchorPoints.map((point) => momentOf(row, point))),
  ]

  function follow(event: PointerEvent, onMove: (event: PointerEvent) => void, onEnd: () => void): void {
    const target = event.currentTarget as HTMLElement
    target.setPointerCapture(event.pointerId)
    const end = () => {
      target.removeEventListener('pointermove', onMove)
      target.removeEventListener('pointerup', end)
      target.removeEventListener('pointercancel', end)
      onEnd()
    }
    target.addEventListener('pointermove', onMove)
    target.addEventListener('pointerup', end)
    target.addEventListener('pointercancel', end)
  }

  function beginDrag(event: PointerEvent, row: ScoreRow, handle: ClipHandle): void {
    if (event.button !== 0) return
    event.stopPropagation()
    room.select(row.partId, event.shiftKey)
    const part = room.parts.find((each) => each.id === row.partId)
    if (!part || !room.address || part.isLocked || !canEdit.value) return
    const { address } = room
    const from = { clip: copyOf(part.clip), solved: row }
    const moments = momentsFor(row.partId)
    const grabbed = {
      whole: row.startMs,
      start: row.startMs,
      end: row.endMs,
      entrance: row.startMs + row.entranceMs,
      exit: row.endMs - row.exitMs,
    }[handle]
    follow(
      event,
      (moved) => {
        let byMs = Math.round((moved.clientX - event.clientX) * msPerPx())
        if (Math.abs(moved.clientX - event.clientX) < 3) byMs = 0
        const caught = moved.altKey ? null : nearest(moments, grabbed + byMs, catchPx * msPerPx())
        if (caught !== null) byMs = caught - grabbed
        draft.edit(
          editParts(address, [row.partId], `${row.name}: ${handleWords[handle]}`, (changed) =>
            dragClip(changed, from, handle, byMs, look.value),
          ),
        )
      },
      () => {},
    )
  }

  function beginTie(event: PointerEvent, row: ScoreRow, rowIndex: number, which: 'start' | 'end'): void {
    if (!canEdit.value || row.isLocked) return
    event.stopPropagation()
    room.select(row.partId)
    const fromMs = which === 'start' ? row.startMs : row.endMs
    const origin = field.value?.getBoundingClientRect()
    const at = (moved: PointerEvent): DrawnTie => {
      const toMs = (moved.clientX - (origin?.left ?? 0)) * msPerPx()
      const toY = moved.clientY - (origin?.top ?? 0)
      return {
        partId: row.partId,
        which,
        fromMs,
        fromRow: rowIndex,
        toMs,
        toY,
        target: targetAt(row.partId, toMs, toY),
      }
    }
    tie.value = at(event)
    follow(
      event,
      (moved) => (tie.value = at(moved)),
      () => {
        const drawn = tie.value
        tie.value = null
        if (drawn?.target) setTie(drawn.partId, drawn.which, drawn.target.at)
      },
    )
  }

  function targetAt(partId: string, toMs: number, toY: number): DrawnTie['target'] {
    const index = Math.floor(toY / rowHeightPx)
    const under = rows.value[index]
    // The sound of a video has no edges of its own.
    const row = under?.ownSound ? rows.value[index - 1] : under
    const reachMs = catchPx * 2 * msPerPx()
    if (!row || row.partId === partId) {
      const ends = [
        { at: 'score.start', atMs: 0 },
        { at: 'score.end', atMs: lengthMs.value },
      ]
      const end = ends.find((each) => Math.abs(each.atMs - toMs) <= reachMs)
      return end ? { ...end, row: index } : null
    }
    const points = anchorPoints.map((point) => ({
      at: `${row.partId}.${point}`,
      atMs: momentOf(row, point),
      row: index,
    }))
    return (
      points
        .filter((point) => Math.abs(point.atMs - toMs) <= reachMs)
        .sort((a, b) => Math.abs(a.atMs - toMs) - Math.abs(b.atMs - toMs))[0] ?? null
    )
  }

  /** Ties an edge, unless that would tie a knot: then nothing changes and it is said who would wait for whom. */
  function setTie(partId: string, which: 'start' | 'end', at: string): void {
    if (!room.address || !draft.document) return
    const name = room.parts.find((part) => part.id === partId)?.name ?? partId
    const edit = editParts(room.address, [partId], `${name}: tie`, (part) => tieEdge(part, which, at))
    const tried = changeBox(draft.document, edit)
    const composition = tried.ok ? findVariation(tried.value.document, room.address)?.variation.composition : null
    const settled = composition && settle(composition)
    if (settled && !settled.ok) toast.error(faultWords(settled.error))
    else draft.edit(edit)
  }

  function untie(row: ScoreRow, which: 'start' | 'end'): void {
    if (!room.address || !canEdit.value) return
    draft.edit(editParts(room.address, [row.partId], `${row.name}: untied`, (part) => untieEdge(part, which, row)))
  }

  return { tie, beginDrag, beginTie, untie }
}
