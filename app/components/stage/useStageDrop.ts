import { useDropZone } from '@vueuse/core'
import type { Ref } from 'vue'
import { toast } from 'vue-sonner'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { starterPicture, starterSound } from '../../../core/composition/starterParts.ts'
import { addPart } from '../../../core/edit/addPart.ts'
import type { Edit } from '../../../core/edit/change.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { findVariation, type VariationAddress } from '../../../core/edit/findVariation.ts'
import type { SceneState } from '../../../core/score/sceneState.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { rememberGiven } from '../../library/arrivalSound.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useUploadsStore } from '../../stores/uploads.ts'
import { isEmptyPart } from './emptyParts.ts'
import { drawnBox } from './stageGeometry.ts'

interface Setting {
  surface: Ref<HTMLElement | undefined>
  scale: Ref<number>
  canvas: Ref<Canvas>
  scene: Ref<SceneState>
  canEdit: Ref<boolean>
}

interface Point {
  xPx: number
  yPx: number
}

/** Files that are dropped on the stage go to the library and become parts: an empty place that they fall into, else a new one there. */
export function useStageDrop({ surface, scale, canvas, scene, canEdit }: Setting) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const media = useMediaStore()
  const uploads = useUploadsStore()
  const notify = useUndoNotice()

  function pointOf(event: DragEvent): Point {
    const box = surface.value?.getBoundingClientRect()
    return {
      xPx: Math.round((event.clientX - (box?.left ?? 0)) / scale.value),
      yPx: Math.round((event.clientY - (box?.top ?? 0)) / scale.value),
    }
  }

  /** The empty place under a point, or any that waits for a sound. */
  function emptyAt(kind: 'picture' | 'sound', { xPx, yPx }: Point) {
    return room.parts.filter(isEmptyPart).findLast((part) => {
      if (part.kind !== kind) return false
      const box = kind === 'picture' ? drawnBox(scene.value, part.id) : null
      return kind === 'sound' || (box && xPx >= box.left && xPx <= box.right && yPx >= box.top && yPx <= box.bottom)
    })
  }

  function editFor(address: VariationAddress, mediaId: string, at: Point, filled: string | null): Edit | null {
    const file = media.find(mediaId)
    if (!file || file.kind === 'font') return null
    if (filled !== null)
      return editParts(address, [filled], `${file.name}: file`, (part) => {
        if (part.kind === 'picture' || part.kind === 'sound') part.mediaId = mediaId
      })
    if (file.kind === 'sound') return addPart(address, { ...starterSound(mediaId), name: file.name })
    const picture = starterPicture(canvas.value, mediaId)
    return addPart(address, { ...picture, name: file.name, place: { ...at, origin: 'centre' } })
  }

  async function take(file: File, at: Point): Promise<void> {
    const { address } = room
    if (!address) return
    // Where it was dropped counts, whatever is looked at once it has been measured.
    const places = { picture: emptyAt('picture', at)?.id, sound: emptyAt('sound', at)?.id }
    rememberGiven([file])
    const waiting = toast.loading(`Taking ${file.name} in…`)
    const arrived = await uploads.sendOne(file)
    toast.dismiss(waiting)
    if (!arrived.ok) {
      toast.error(`${file.name} was not taken. ${arrived.error}`)
      return
    }
    const kind = media.find(arrived.value)?.kind
    if (kind === 'font') {
      toast.success(`${file.name} is in the library. Words can be set in it.`)
      return
    }
    const parts = (draft.document && findVariation(draft.document, address)?.variation.composition.parts) ?? []
    // Another file may have fallen into the same place.
    const empty = parts.find((part) => kind && part.id === places[kind] && isEmptyPart(part))
    const edit = editFor(address, arrived.value, at, empty?.id ?? null)
    if (!edit || !draft.edit(edit)) return
    room.select(empty?.id ?? room.parts.at(-1)?.id ?? null)
    notify(empty ? `${empty.name} shows ${file.name} now.` : `${file.name} is on the stage.`)
  }

  const { isOverDropZone } = useDropZone(surface, {
    onDrop: (files, event) => {
      if (!canEdit.value) return
      const at = pointOf(event)
      for (const file of files ?? []) void take(file, at)
    },
    multiple: true,
  })
  return { isOver: isOverDropZone }
}
