import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine'
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { attachClosestEdge, extractClosestEdge, type Edge } from '@atlaskit/pragmatic-drag-and-drop-hitbox/closest-edge'
import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

interface TileDrag {
  tile: Ref<HTMLElement | undefined>
  handle: Ref<HTMLElement | undefined>
  boxId: string
  canDrag: () => boolean
  /** Another box was let go at one side of this one. */
  onDropped: (boxId: string, side: 'before' | 'after') => void
}

/** Makes a tile something that can be dragged by its handle to another place among the tiles. */
export function useTileDrag({ tile, handle, boxId, canDrag, onDropped }: TileDrag) {
  const edge = ref<Edge | null>(null)
  const isDragged = ref(false)
  let end = () => {}

  onMounted(() => {
    if (!tile.value || !handle.value) return
    end = combine(
      draggable({
        element: tile.value,
        dragHandle: handle.value,
        canDrag,
        getInitialData: () => ({ boxId }),
        onDragStart: () => (isDragged.value = true),
        onDrop: () => (isDragged.value = false),
      }),
      dropTargetForElements({
        element: tile.value,
        canDrop: ({ source }) => typeof source.data.boxId === 'string' && source.data.boxId !== boxId,
        getData: ({ input, element }) =>
          attachClosestEdge({ boxId }, { input, element, allowedEdges: ['left', 'right'] }),
        onDrag: ({ self }) => (edge.value = extractClosestEdge(self.data)),
        onDragLeave: () => (edge.value = null),
        onDrop({ source, self }) {
          const side = extractClosestEdge(self.data) === 'left' ? 'before' : 'after'
          edge.value = null
          onDropped(String(source.data.boxId), side)
        },
      }),
    )
  })
  onBeforeUnmount(() => end())
  return { edge, isDragged }
}
