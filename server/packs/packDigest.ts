import { createHash } from 'node:crypto'
import { manifestText, type Manifest } from '../../core/pack/manifest.ts'

/** Names what a pack is, to the byte of its manifest. @throws for one that is no valid manifest */
export const packDigest = (manifest: Manifest): string =>
  createHash('sha256').update(manifestText(manifest)).digest('hex')
