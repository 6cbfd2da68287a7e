import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { MediaFacts } from '../../core/score/mediaFacts.ts'
import type { MediaView } from '../../contract/views.ts'
import { request } from '../api/request.ts'

/** The channel's media files. */
export const useMediaStore = defineStore('media', () => {
  const files = ref<MediaView[]>([])
  let loading: Promise<void> | null = null

  async function load(): Promise<void> {
    files.value = (await request<{ media: MediaView[] }>('GET', '/api/channel/media')).media
  }

  return {
    files,
    pictures: computed(() => files.value.filter((file) => file.kind === 'picture')),
    sounds: computed(() => files.value.filter((file) => file.kind === 'sound')),
    /** As the engine wants to know them. */
    facts: computed<Record<string, MediaFacts>>(() => Object.fromEntries(files.value.map(({ id, url, mime, durationMs }) => [id, { url, mime, durationMs }]))),
    names: computed<Record<string, string>>(() => Object.fromEntries(files.value.map(({ id, name }) => [id, name]))),
    ensureLoaded: () => (loading ??= load()),
  }
})
