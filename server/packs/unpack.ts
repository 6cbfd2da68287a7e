import { mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Manifest } from '../../core/pack/manifest.ts'
import { err, ok, type Result } from '../../core/result.ts'
import { openPack } from './readPack.ts'

/** A pack that was looked through, with its files laid out under their ids. */
export interface Unpacked {
  manifest: Manifest
  leftAside: string[]
}

/**
 * Looks through a pack and lays its files into a folder, each under its id. Memory: the manifest and one file at a time.
 * @returns why it is refused, in words for whoever sent it
 */
export async function unpack(path: string, into: string): Promise<Result<Unpacked, string>> {
  const opened = await openPack(path)
  if (!opened.ok) return opened
  const { manifest, leftAside, read, close } = opened.value
  try {
    await mkdir(into, { recursive: true, mode: 0o700 })
    for (const media of manifest.media) await writeFile(join(into, media.id), await read(media), { mode: 0o600 })
    return ok({ manifest, leftAside })
  } catch (error) {
    return err(error instanceof Error ? error.message : 'It cannot be read.')
  } finally {
    close()
  }
}
