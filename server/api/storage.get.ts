import { statfs } from 'node:fs/promises'
import { defineEventHandler } from 'h3'
import type { StorageView } from '../../contract/views.ts'
import { requireMember } from '../auth/access.ts'
import { useRuntime } from '../system/runtimePort.ts'

/** How much room there is where everything is kept. */
export default defineEventHandler(async (event): Promise<StorageView> => {
  await requireMember(event, 'desk')
  const { dataFolder } = await useRuntime()
  const { bavail, bsize } = await statfs(dataFolder)
  return { freeBytes: bavail * bsize }
})
