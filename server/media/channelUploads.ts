import { mediaLimits } from '../../contract/media.ts'
import { packLimits } from '../packs/packLimits.ts'
import { fileName } from './fileName.ts'
import type { MediaLibrary } from './library.ts'
import { quotaRefusal } from './quota.ts'
import { Uploads } from './uploads.ts'

/**
 * Files on their way into the libraries of channels: each is measured as soon as it is all there.
 * @param quotaBytes how much the media of a channel may take; null: as much as there is room
 */
export function mediaUploads(folder: string, library: MediaLibrary, quotaBytes: number | null): Uploads {
  return new Uploads({
    path: '/api/channel/uploads',
    folder,
    maxBytes: mediaLimits.fileBytes,
    quota: { files: 250, bytes: 2 * 1024 ** 3 },
    refusalFor: async (channelId) =>
      (await library.waitingCount(channelId)) >= mediaLimits.waitingFiles
        ? 'Too many files wait to be measured. Send the rest in a minute.'
        : quotaRefusal(quotaBytes === null ? 0 : await library.takenBytes(channelId), quotaBytes),
    onArrived: (file) => library.accept({ ...file, name: fileName(file.name) }),
  })
}

/** Packs on their way: they lie there until somebody puts them on a shelf. */
export function uploadsOfPacks(folder: string): Uploads {
  return new Uploads({
    path: '/api/packs/uploads',
    folder,
    maxBytes: packLimits.allBytes,
    quota: { files: 10, bytes: 3 * packLimits.allBytes },
    refusalFor: () => Promise.resolve(null),
    onArrived: () => Promise.resolve(),
  })
}
