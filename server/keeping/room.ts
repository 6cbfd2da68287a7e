import { statfs } from 'node:fs/promises'
import { keptForGood } from '../../contract/channelSettings.ts'
import type { RoomView } from '../../contract/keeping.ts'
import { listNights, nightsFolder } from '../backup/nightly.ts'
import { useDatabase } from '../db/port.ts'
import { historyTaken, listUnusedMedia, mediaTaken, versionsTaken } from '../db/queries/keeping.ts'
import { readChannel } from '../db/queries/people.ts'
import { quotaOf } from '../media/quota.ts'
import { useVoices } from '../speech/port.ts'
import { useRuntime } from '../system/runtimePort.ts'

const namesListed = 20

/** What a channel takes, and how much room there is. */
export async function roomOf(channelId: string): Promise<RoomView> {
  const [{ database }, { dataFolder, config }, { speaker }] = await Promise.all([
    useDatabase(),
    useRuntime(),
    useVoices(),
  ])
  const { db } = database
  const [media, unused, history, versions, recordings, nights, disk, channel] = await Promise.all([
    mediaTaken(db, channelId),
    listUnusedMedia(db, channelId),
    historyTaken(db, channelId),
    versionsTaken(db, channelId),
    speaker.cache.taken(),
    listNights(nightsFolder(dataFolder)),
    statfs(dataFolder),
    readChannel(db, channelId),
  ])
  return {
    ...{ media, history, versions, recordings, keeping: channel?.keeping ?? keptForGood },
    unused: {
      count: unused.length,
      bytes: unused.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0),
      names: unused.slice(0, namesListed).map(({ name }) => name),
    },
    nights: nights.map(({ atMs, bytes }) => ({ atMs, bytes })),
    hasNights: database.kind === 'embedded',
    freeBytes: disk.bavail * disk.bsize,
    quotaBytes: quotaOf(config),
  }
}
