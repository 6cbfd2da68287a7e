// Draws and synthesises the gallery's sets into gallery/files, with what the server needs to know of them beside. Part
// of the build.
import { createHash } from 'node:crypto'
import { mkdir, rm, writeFile } from 'node:fs/promises'
import sharp from 'sharp'
import type { PackedMedia } from '../core/pack/manifest.ts'
import { render, toWav } from '../demo/media/voices.ts'
import { measureFile } from '../server/media/measure/measureFile.ts'
import type { GalleryCatalogue } from '../server/packs/gallery.ts'
import { manifestFor } from './manifestFor.ts'
import { pictureRoles, type GallerySet } from './set.ts'
import { sets } from './sets.ts'

const folder = new URL('./files/', import.meta.url)
const soundRoles = ['arrival', 'support', 'crowd'] as const
const pictureWords = {
  arrival: 'someone comes',
  support: 'someone gives',
  crowd: 'many together',
  great: 'something great',
}
const catalogue: GalleryCatalogue = { manifests: [], files: [] }

async function keep(name: string, bytes: Buffer): Promise<string> {
  const id = createHash('sha256').update(bytes).digest('hex')
  const { kind, mime, measured } = await measureFile(bytes)
  if (kind === 'font' || measured.of === 'font') throw new Error(`${name} is no picture and no sound`)
  const file = `${id.slice(0, 24)}.${kind === 'picture' ? 'png' : 'wav'}`
  await writeFile(new URL(file, folder), bytes)
  const [widthPx, heightPx] = measured.of === 'picture' ? [measured.widthPx, measured.heightPx] : [null, null]
  catalogue.files.push({
    id,
    file,
    name,
    kind,
    mime,
    widthPx,
    heightPx,
    durationMs: measured.durationMs,
    sizeBytes: bytes.length,
    measured,
  })
  return id
}

async function make(set: GallerySet): Promise<void> {
  const ids = new Map<string, string>()
  for (const role of set.pictures ? pictureRoles : [])
    ids.set(
      `picture/${role}`,
      await keep(
        `${set.name}: ${pictureWords[role]}`,
        await sharp(Buffer.from(set.pictures?.[role] ?? ''))
          .png({ compressionLevel: 9, palette: false })
          .toBuffer(),
      ),
    )
  for (const role of soundRoles)
    ids.set(`sound/${role}`, await keep(set.sounds[role].name, toWav(render(set.sounds[role]))))
  const packed = [...new Set(ids.values())].sort().map((id): PackedMedia => {
    const file = catalogue.files.find((each) => each.id === id)
    if (!file) throw new Error(`${set.name} made no file ${id}`)
    return {
      id,
      file: `media/${id}`,
      name: file.name,
      kind: file.kind,
      mime: file.mime,
      sizeBytes: file.sizeBytes,
      licence: 'CC0-1.0',
    }
  })
  catalogue.manifests.push(
    manifestFor(
      set,
      { picture: (role) => ids.get(`picture/${role}`) ?? null, sound: (role) => ids.get(`sound/${role}`) ?? '' },
      packed,
    ),
  )
}

await rm(folder, { recursive: true, force: true })
await mkdir(folder, { recursive: true })
for (const set of sets) await make(set)
await writeFile(new URL('catalogue.json', folder), `${JSON.stringify(catalogue)}\n`)
process.stdout.write(
  `Gallery: ${sets.length} sets, ${catalogue.files.length} files, ${Math.round(catalogue.files.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0) / 1024)} KiB\n`,
)
