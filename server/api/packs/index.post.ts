import { createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { defineEventHandler, getHeader, setResponseStatus } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { importPack } from '../../packs/importPack.ts'
import { packLimits } from '../../packs/packLimits.ts'
import { newId } from '../../system/ids.ts'
import { problemError } from '../../system/problemError.ts'
import { useServices } from '../../system/services.ts'

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

/** Puts a pack on the channel's shelf, to be looked at and taken. All of it, or nothing. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  // A form of another site can send nothing of this type without asking first.
  if (!/^application\/zip\b/.test(getHeader(event, 'content-type') ?? ''))
    throw problemError(415, 'Send a pack with "Content-Type: application/zip".')
  const { dataFolder } = await useServices()
  const path = join(dataFolder, 'uploads', newId('pack'))
  try {
    await pipeline(event.node.req, bounded(packLimits.allBytes), createWriteStream(path, { mode: 0o600 }))
    const imported = await importPack(channel.id, path)
    if (!imported.ok) throw problemError(422, `The pack was not taken: ${imported.error}`)
    setResponseStatus(event, 201)
    return imported.value
  } finally {
    await rm(path, { force: true })
  }
})
