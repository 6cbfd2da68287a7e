import { asc, eq } from 'drizzle-orm'
import type { ChannelSettingsBody, Keeping } from '../../../contract/channelSettings.ts'
import type { Database } from '../handle.ts'
import { channel } from '../schema.ts'

export const listChannels = (db: Database) =>
  db.select({ id: channel.id, name: channel.name }).from(channel).orderBy(asc(channel.id))

export async function setChannelSettings(db: Database, id: string, settings: ChannelSettingsBody): Promise<void> {
  await db.update(channel).set(settings).where(eq(channel.id, id))
}

export async function setKeeping(db: Database, id: string, keeping: Keeping): Promise<void> {
  await db.update(channel).set({ keeping }).where(eq(channel.id, id))
}

export const listKeeping = (db: Database) => db.select({ id: channel.id, keeping: channel.keeping }).from(channel)
