import { readFileSync } from 'node:fs'
import { createHash } from 'node:crypto'
import { buffer } from 'node:stream/consumers'
import type { Readable } from 'node:stream'
import yazl from 'yazl'
import { plainBox } from '../../core/composition/plainBox.ts'
import { starterAlert } from '../../core/composition/starter.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }

/** A zip with this text as its manifest, and files beside it. */
export function packOf(manifest: string, files: readonly { name: string; bytes: Buffer }[] = []): Promise<Buffer> {
  const zip = new yazl.ZipFile()
  zip.addBuffer(Buffer.from(manifest), 'manifest.json')
  for (const { name, bytes } of files) zip.addBuffer(bytes, name)
  zip.end()
  return buffer(zip.outputStream as Readable)
}

/** A box with as many parts as an alert can have. */
function crowdedBox() {
  const box = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
  for (const { composition } of box.alerts.flatMap(({ variations }) => variations)) {
    const part = composition.parts.find(({ id }) => id === 'headline')
    while (part && composition.parts.length < 200)
      composition.parts.push({ ...structuredClone(part), id: `part-${composition.parts.length}` })
  }
  return box
}

const manifest = (changes: object) =>
  JSON.stringify({
    format: 'thundercrest.pack',
    version: 1,
    id: 'hostile',
    release: '1.0.0',
    name: 'Hostile',
    author: 'Bram Quill',
    licence: 'CC0-1.0',
    about: '',
    box: crowdedBox(),
    media: [],
    dials: [],
    ...changes,
  })

const dials = (paths: readonly string[]) =>
  Array.from({ length: 60 }, (_, index) => ({
    id: `dial-${index}`,
    kind: 'colour',
    label: 'All of it',
    about: '',
    group: '',
    initial: '#FFC247',
    bindings: paths.map((path) => ({ path, transform: { as: 'same' } })),
  }))

/** Packs that are to be refused, and quickly. */
export const hostilePacks: readonly { name: string; bytes: () => Promise<Buffer> }[] = [
  {
    name: 'nine stars',
    bytes: () => packOf(manifest({ dials: dials(Array.from({ length: 100 }, () => `alerts.${'*.'.repeat(8)}*`)) })),
  },
  {
    name: 'seven stars',
    bytes: () =>
      packOf(manifest({ dials: dials(Array.from({ length: 100 }, () => 'alerts.*.variations.*.parts.*.*')) })),
  },
  { name: 'nested four million deep', bytes: () => packOf('['.repeat(4_000_000)) },
  { name: 'a million values', bytes: () => packOf(`[${'0,'.repeat(1_000_000)}0]`) },
  { name: 'NUL in a name', bytes: () => packOf(manifest({ name: 'a\u0000b' })) },
  { name: 'half a pair in its words', bytes: () => packOf(manifest({ about: '\ud83e' })) },
  {
    name: 'a damaged picture',
    bytes: () => {
      const bytes = readFileSync(new URL('./files/still.png', import.meta.url)).subarray(0, 90)
      const id = createHash('sha256').update(bytes).digest('hex')
      const media = {
        id,
        file: `media/${id}`,
        name: 'Lantern',
        kind: 'picture',
        mime: 'image/png',
        sizeBytes: bytes.length,
        licence: '',
      }
      return packOf(manifest({ media: [media] }), [{ name: media.file, bytes }])
    },
  },
  { name: 'no zip', bytes: () => Promise.resolve(Buffer.from('hello')) },
]
