import type { Readable } from 'node:stream'
import yazl from 'yazl'
import { manifestText, type Manifest } from '../../core/pack/manifest.ts'
import type { MediaStore } from '../media/mediaStore.ts'

/** Zips tell their age in two seconds since 1980; a pack has none, so that the same pack is the same bytes. */
const noAge = new Date(Date.UTC(1980, 0, 1))
const options = { mtime: noAge, mode: 0o100644, forceDosTimestamp: true }

/**
 * A pack as a zip, as it comes: the manifest first, then its files in their order. Files are compressed already and are
 * stored as they are; none of them is ever held in memory.
 */
export function writePack(manifest: Manifest, store: Pick<MediaStore, 'stream'>): Readable {
  const zip = new yazl.ZipFile()
  zip.addBuffer(Buffer.from(manifestText(manifest)), 'manifest.json', options)
  for (const { id, file, sizeBytes } of manifest.media) {
    zip.addReadStreamLazy(
      file,
      { ...options, compress: false, size: sizeBytes },
      (give) =>
        void store.stream(id, null).then(
          (stream) => give(null, stream),
          (error: unknown) => give(error as Error, null as never),
        ),
    )
  }
  zip.end()
  return zip.outputStream as Readable
}
