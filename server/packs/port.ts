import type { ReadShippedFile } from '../media/readyShelf.ts'
import type { Uploads } from '../media/uploads.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of packs. */
export interface PacksPort {
  packUploads: Uploads
  /** Files that come with the product. */
  readShippedFile: ReadShippedFile
}

export const { provide: providePacks, use: usePacks } = definePort<PacksPort>('Packs')
