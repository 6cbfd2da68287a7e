import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { ChangeBoxBody, NewBoxBody } from '../../contract/bodies.ts'
import type { BoxesView, BoxSummary, BoxView, PutAwayBox } from '../../contract/views.ts'
import { request } from '../api/request.ts'

/** The channel's boxes, as tiles and lists show them. */
export const useBoxesStore = defineStore('boxes', () => {
  const boxes = ref<BoxSummary[] | null>(null)
  const boards = ref<BoxSummary[] | null>(null)
  const putAway = ref<PutAwayBox[]>([])
  const hasShown = ref(false)

  async function load(): Promise<void> {
    const answer = await request<BoxesView>('GET', '/api/boxes')
    boxes.value = answer.boxes
    boards.value = answer.boards
    putAway.value = answer.putAway
    hasShown.value = answer.hasShown
  }

  async function change(id: string, body: ChangeBoxBody): Promise<void> {
    // What is shown moved at once may not be lost by whoever closes the tab then.
    await request<BoxView>('PATCH', `/api/boxes/${id}`, body, { keepalive: true })
    await load()
  }

  return {
    boxes,
    boards,
    putAway,
    /** Whether any alert of the channel was ever shown by a source. */
    hasShown,
    load,
    async create(body: NewBoxBody): Promise<string> {
      return (await request<{ id: string }>('POST', '/api/boxes', body)).id
    },
    /** @param shelfId a pack in whose look it is made; null: plain */
    async createBoard(body: NewBoxBody & { shelfId: string | null }): Promise<string> {
      return (await request<{ id: string }>('POST', '/api/boards', body)).id
    },
    rename: (id: string, name: string) => change(id, { name }),
    /** Moves a box before another one; null: behind all. What the list shows is moved at once. */
    async move(id: string, before: string | null): Promise<void> {
      const list = boxes.value?.some((box) => box.id === id) ? boxes : boards
      const shown = list.value
      const moved = shown?.find((box) => box.id === id)
      if (!shown || !moved || id === before) return
      const rest = shown.filter((box) => box.id !== id)
      const at = before === null ? rest.length : rest.findIndex((box) => box.id === before)
      list.value = [...rest.slice(0, at), moved, ...rest.slice(at)]
      await change(id, { before })
    },
    /** @returns the copy's id */
    async copy(id: string, name: string): Promise<string> {
      const made = await request<{ id: string }>('POST', `/api/boxes/${id}/copies`, { name })
      await load()
      return made.id
    },
    async putAwayBox(id: string): Promise<void> {
      await request('DELETE', `/api/boxes/${id}`)
      await load()
    },
    bringBack: (id: string) => change(id, { isPutAway: false }),
  }
})
