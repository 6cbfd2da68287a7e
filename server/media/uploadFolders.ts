import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'

/** Folders in which files arrive, made where they are not there. */
export async function uploadFolders(dataFolder: string): Promise<{ files: string; packs: string }> {
  const files = join(dataFolder, 'uploads')
  const packs = join(files, 'packs')
  await mkdir(packs, { recursive: true, mode: 0o700 })
  return { files, packs }
}
