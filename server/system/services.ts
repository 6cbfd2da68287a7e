import type { Logger } from 'pino'
import type { FeedDirectory } from '../channel/feedDirectory.ts'
import type { SignInLimits } from '../auth/loginLimit.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { DatabaseHandle } from '../db/handle.ts'
import type { DatabaseTrouble } from '../db/trouble.ts'
import type { EmoteShelf } from '../emotes/emoteShelf.ts'
import type { Linking } from '../feeds/linking.ts'
import type { Ingest } from '../ingest/ingest.ts'
import type { HeldFiles } from '../media/heldFiles.ts'
import type { MediaLibrary } from '../media/library.ts'
import type { Measurer } from '../media/measurer.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import type { ReadShippedFile } from '../media/readyShelf.ts'
import type { Uploads } from '../media/uploads.ts'
import type { Lines } from '../queue/lines.ts'
import type { ChannelStream } from '../live/channelStream.ts'
import type { SourceRooms } from '../realtime/sourceRooms.ts'
import type { Speaker } from '../speech/speaker.ts'
import type { Clock } from './clock.ts'
import type { Config } from './config.ts'
import type { Metrics } from './metrics.ts'

/** Everything that lives as long as the server. */
export interface Services {
  config: Config
  logger: Logger
  secret: string
  dataFolder: string
  database: DatabaseHandle
  clock: Clock
  /** Whether the database is in trouble. */
  trouble: DatabaseTrouble
  signInLimits: SignInLimits
  media: MediaStore
  held: HeldFiles
  measurer: Measurer
  library: MediaLibrary
  uploads: Uploads
  packUploads: Uploads
  /** Files that come with the product. */
  readShippedFile: ReadShippedFile
  onAir: OnAirCache
  feeds: FeedDirectory
  linking: Linking
  rooms: SourceRooms
  /** The lines of all boxes, whichever process carries them out. */
  lines: Lines
  /** Takes lanes that nobody carries out, here or elsewhere: of a box that was made, or brought back. */
  takeFreeLanes: () => Promise<void>
  /** Closes every source of a box, wherever it is connected. */
  closeSources: (boxId: string, code: number, reason: string) => void
  /** Whoever signed out is told nothing more, on no screen anywhere. */
  endSessionScreens: (sessionId: string) => void
  ingest: Ingest
  stream: ChannelStream
  emotes: EmoteShelf
  speaker: Speaker
  /** Starts the engines that a channel's alerts on air speak with, so that the first message does not wait for them. */
  wakeVoices: (channelId: string) => void
  metrics: Metrics
  close(): Promise<void>
}

let running: Promise<Services> | null = null

/** Hands the server's services to its handlers. Called once, where the server starts. */
export function provideServices(starting: Promise<Services>): void {
  running = starting
}

/** The services, once they have started. @throws what made the start fail. */
export async function useServices(): Promise<Services> {
  if (!running) throw new Error('The services were asked for before the server started')
  return running
}
