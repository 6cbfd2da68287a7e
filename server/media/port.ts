import type { HeldFiles } from './heldFiles.ts'
import type { MediaLibrary } from './library.ts'
import type { Measurer } from './measurer.ts'
import type { MediaStore } from './mediaStore.ts'
import type { Uploads } from './uploads.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of files. */
export interface MediaPort {
  media: MediaStore
  held: HeldFiles
  measurer: Measurer
  library: MediaLibrary
  uploads: Uploads
}

export const { provide: provideMedia, use: useMedia } = definePort<MediaPort>('Files')
