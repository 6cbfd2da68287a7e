import { createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { defineEventHandler, getHeader, setResponseStatus, type H3Event } from 'h3'
import { uploadedPackBody, type ArrivedPack } from '../../../contract/packs.ts'
import { requireMember } from '../../auth/access.ts'
import { readChecked } from '../../http/readChecked.ts'
import { importPack } from '../../packs/importPack.ts'
import { packLimits } from '../../packs/packLimits.ts'
import { newId } from '../../system/ids.ts'
import { problemError } from '../../system/problemError.ts'
import { usePacks } from '../../packs/port.ts'
import { useRuntime } from '../../system/runtimePort.ts'

/** Passes on what comes until it is too much. */
function bounded(most: number): Transform {
  let bytes = 0
  return new Transform({
    transform(chunk: Buffer, _encoding, give) {
      bytes += chunk.length
      if (bytes > most) give(problemError(413, 'The pack is larger than a gibibyte.'))
      else give(null, chunk)
    },
  })
}

/**
 * Puts a pack on the channel's shelf, to be looked at and taken: as it is, or one that was uploaded before, over a line that may
 * break. All of it, or nothing.
 */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const { dataFolder } = await useRuntime()
  const { packUploads } = await usePacks()
  const type = getHeader(event, 'content-type') ?? ''
  if (/^application\/json\b/.test(type)) {
    const { uploadId } = await readChecked(event, uploadedPackBody)
    const path = await packUploads.pathOf(channel.id, uploadId)
    if (!path) throw problemError(404, 'There is no such upload, or it is not all there yet.')
    return arrived(event, channel.id, path).finally(() => packUploads.forget(uploadId))
  }
  // A form of another site can send nothing of this type without asking first.
  if (!/^application\/zip\b/.test(type)) throw problemError(415, 'Send a pack with "Content-Type: application/zip".')
  const path = join(dataFolder, 'uploads', newId('pack'))
  try {
    await pipeline(event.node.req, bounded(packLimits.allBytes), createWriteStream(path, { mode: 0o600 }))
    return await arrived(event, channel.id, path)
  } finally {
    await rm(path, { force: true })
  }
})

async function arrived(event: H3Event, channelId: string, path: string): Promise<ArrivedPack> {
  const imported = await importPack(channelId, path)
  if (!imported.ok) throw problemError(422, `The pack was not taken: ${imported.error}`)
  setResponseStatus(event, 201)
  return imported.value
}
