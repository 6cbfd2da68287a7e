import type { Measured } from '../../contract/media.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { addPack, findPackByDigest, galleryChannel } from '../db/queries/packs.ts'
import { useDatabase } from '../db/port.ts'
import { useMedia } from '../media/port.ts'
import { measuringVersion } from '../media/library.ts'
import { packDigest } from './packDigest.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { usePacks } from './port.ts'

/** A file of the gallery as the build measured it. */
interface GalleryFile {
  id: string
  file: string
  name: string
  kind: 'picture' | 'sound'
  mime: string
  widthPx: number | null
  heightPx: number | null
  durationMs: number | null
  sizeBytes: number
  measured: Measured
}

export interface GalleryCatalogue {
  manifests: Manifest[]
  files: GalleryFile[]
}

let standing: Promise<void> | null = null

/** Puts the sets that ship with the product on the shelf of every channel, once in the life of a server. */
export function ensureGallery(): Promise<void> {
  standing ??= putUp().catch((error: unknown) => {
    standing = null
    throw error
  })
  return standing
}

async function putUp(): Promise<void> {
  const [{ database }, { media }, { readShippedFile }, { logger }] = await Promise.all([
    useDatabase(),
    useMedia(),
    usePacks(),
    useRuntime(),
  ])
  const { db } = database
  const text = await readShippedFile('gallery', 'catalogue.json')
  if (!text) return logger.warn('this build has no gallery')
  const { manifests, files } = JSON.parse(new TextDecoder().decode(text)) as GalleryCatalogue
  for (const manifest of manifests) {
    const digest = packDigest(manifest)
    if (await findPackByDigest(db, galleryChannel, digest)) continue
    const needed = manifest.media.map(({ id }) => {
      const file = files.find((one) => one.id === id)
      if (!file) throw new Error(`The gallery’s set ${manifest.id} needs a file that the build did not make`)
      return file
    })
    for (const { file } of needed) {
      const bytes = await readShippedFile('gallery', file)
      if (!bytes) throw new Error(`The gallery’s file ${file} is missing from this build`)
      await media.put(bytes)
    }
    await addPack(
      db,
      { id: `${manifest.id}-${digest.slice(0, 8)}`, channelId: galleryChannel, digest, manifest },
      needed.map(({ id, name, kind, mime, widthPx, heightPx, durationMs, sizeBytes, measured }) => ({
        id,
        name,
        kind,
        mime,
        widthPx,
        heightPx,
        durationMs,
        sizeBytes,
        measured,
        licence: 'CC0-1.0',
        tags: ['ready'],
        measuredBy: measuringVersion,
      })),
    )
  }
}
