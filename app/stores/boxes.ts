import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { NewBoxBody } from '../../contract/bodies.ts'
import type { BoxSummary } from '../../contract/views.ts'
import { request } from '../api/request.ts'

/** The channel's boxes, as tiles and lists show them. */
export const useBoxesStore = defineStore('boxes', () => {
  const boxes = ref<BoxSummary[] | null>(null)

  return {
    boxes,
    async load(): Promise<void> {
      boxes.value = (await request<{ boxes: BoxSummary[] }>('GET', '/api/boxes')).boxes
    },
    async create(body: NewBoxBody): Promise<string> {
      return (await request<{ id: string }>('POST', '/api/boxes', body)).id
    },
  }
})
