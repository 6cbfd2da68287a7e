import { watch } from 'vue'
import type { MediaView } from '../../contract/views.ts'
import { request } from '../api/request.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSessionStore } from '../stores/session.ts'
import { awaitsHearing } from './awaitsHearing.ts'
import { lookAt } from './sight.ts'

const tried = new Set<string>()
let last: Promise<void> = Promise.resolve()

/**
 * Looks at files that only browsers decode, one after another, wherever the library is on screen of somebody who may
 * edit.
 */
export function watchSights(): void {
  const media = useMediaStore()
  const session = useSessionStore()
  watch(
    () => media.files,
    (files) => {
      if (!session.canEdit) return
      for (const file of files) {
        if (
          file.measured?.of !== 'picture' ||
          (file.measured.seen !== null && !awaitsHearing(file.measured)) ||
          tried.has(file.id)
        )
          continue
        tried.add(file.id)
        last = last.then(() => tell(file))
      }
    },
    { immediate: true },
  )
}

async function tell(file: MediaView): Promise<void> {
  try {
    const sight = await lookAt(file)
    if (sight) await request('PUT', `/api/channel/media/${file.id}/sight`, sight)
  } catch {
    // It stays without a picture and is tried again where the page is opened anew.
  }
}
