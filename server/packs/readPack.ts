import { createHash } from 'node:crypto'
import { open, type Entry, type ZipFile } from 'yauzl'
import { readManifest, type Manifest, type PackedMedia } from '../../core/pack/manifest.ts'
import { err, ok, type Result } from '../../core/result.ts'
import { packLimits } from './packLimits.ts'

/** A pack whose manifest holds and whose files are there; nothing of them is unpacked yet. */
export interface OpenPack {
  manifest: Manifest
  /** Entries that the manifest does not name: they are left where they are. */
  leftAside: string[]
  /** The bytes of a file. @throws where they are not what the manifest says */
  read(media: PackedMedia): Promise<Buffer>
  close(): void
}

/** Raised for a zip that is refused; its words are for whoever sent it. */
class Refused extends Error {}

const encrypted = 0x1
const linkMode = 0o120000
const kindMask = 0o170000

function openZip(path: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    // Names with `..`, drive letters, backslashes or a leading slash are errors; sizes are held against what comes out.
    open(
      path,
      { lazyEntries: true, autoClose: false, strictFileNames: true, validateEntrySizes: true },
      (error, zip) => (error ? reject(new Refused('The file is no zip, or is damaged.')) : resolve(zip)),
    )
  })
}

/** All entries by their names, looked at one by one; the first that is not allowed ends it. */
function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>()
  let sum = 0
  return new Promise((resolve, reject) => {
    zip.on('error', (error: Error) => reject(new Refused(`The zip cannot be read: ${error.message.slice(0, 120)}`)))
    zip.on('end', () => resolve(entries))
    zip.on('entry', (entry: Entry) => {
      const { fileName, uncompressedSize, generalPurposeBitFlag, externalFileAttributes } = entry
      sum += uncompressedSize
      if (generalPurposeBitFlag & encrypted) return reject(new Refused(`“${fileName}” is encrypted.`))
      if (((externalFileAttributes >>> 16) & kindMask) === linkMode)
        return reject(new Refused(`“${fileName}” is a link to somewhere else.`))
      if (uncompressedSize > (fileName === 'manifest.json' ? packLimits.manifestBytes : packLimits.fileBytes))
        return reject(new Refused(`“${fileName}” is too large.`))
      if (sum > packLimits.allBytes) return reject(new Refused('Unpacked, the pack is larger than a gibibyte.'))
      if (entries.has(fileName)) return reject(new Refused(`“${fileName}” is in it twice.`))
      if (!fileName.endsWith('/')) entries.set(fileName, entry)
      zip.readEntry()
    })
    if (zip.entryCount > packLimits.entries)
      return reject(new Refused(`It has ${zip.entryCount} entries; a pack has at most ${packLimits.entries}.`))
    zip.readEntry()
  })
}

function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const refuse = () => reject(new Refused(`“${entry.fileName}” is damaged.`))
    zip.openReadStream(entry, (error, stream) => {
      if (error) return refuse()
      const chunks: Buffer[] = []
      stream.on('data', (chunk: Buffer) => chunks.push(chunk))
      stream.on('error', refuse)
      stream.on('end', () => resolve(Buffer.concat(chunks)))
    })
  })
}

/**
 * Opens a pack and looks through it: what it is called, how large it would be, whether all is there. Memory: the
 * manifest and one file at a time.
 * @returns why it is refused, in words for whoever sent it
 */
export async function openPack(path: string): Promise<Result<OpenPack, string>> {
  let zip: ZipFile | null = null
  try {
    zip = await openZip(path)
    return ok(await lookThrough(zip))
  } catch (error) {
    zip?.close()
    if (error instanceof Refused) return err(error.message)
    throw error
  }
}

async function lookThrough(zip: ZipFile): Promise<OpenPack> {
  const entries = await entriesOf(zip)
  const written = entries.get('manifest.json')
  if (!written) throw new Refused('There is no manifest.json in it: this is no pack.')
  const manifest = readManifest((await bytesOf(zip, written)).toString('utf8'))
  if (!manifest.ok) throw new Refused(manifest.error)
  const { media } = manifest.value
  const absent = media.find(({ file, sizeBytes }) => entries.get(file)?.uncompressedSize !== sizeBytes)
  if (absent)
    throw new Refused(
      entries.has(absent.file)
        ? `“${absent.name}” is not as large as the manifest says.`
        : `“${absent.name}” is missing from the pack.`,
    )
  const named = new Set(['manifest.json', ...media.map(({ file }) => file)])
  return {
    manifest: manifest.value,
    leftAside: [...entries.keys()].filter((name) => !named.has(name)),
    async read({ id, file, name }) {
      const entry = entries.get(file)
      if (!entry) throw new Refused(`“${name}” is missing from the pack.`)
      const bytes = await bytesOf(zip, entry)
      if (createHash('sha256').update(bytes).digest('hex') !== id)
        throw new Refused(`“${name}” is not the file that the manifest names.`)
      return bytes
    },
    close: () => zip.close(),
  }
}
