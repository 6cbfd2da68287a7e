import { mkdir } from 'node:fs/promises'
import { join, resolve } from 'node:path'
import type { Logger } from 'pino'
import { OnAirCache } from '../boxes/onAir.ts'
import type { DatabaseHandle } from '../db/handle.ts'
import { migrate, type Migration } from '../db/migrate.ts'
import { openEmbedded } from '../db/openEmbedded.ts'
import { isMediaUsed } from '../db/queries/boxes.ts'
import { openServer } from '../db/openServer.ts'
import { FeedDirectory } from '../feeds/feedDirectory.ts'
import { Linking } from '../feeds/linking.ts'
import { DatabaseTrouble } from '../db/trouble.ts'
import { Housekeeping } from '../db/housekeeping.ts'
import { probeDatabase } from '../db/probe.ts'
import { GroupCommit } from '../ingest/groupCommit.ts'
import { Ingest } from '../ingest/ingest.ts'
import { ViewerHistory } from '../ingest/viewerHistory.ts'
import { keepDecided } from '../ingest/keepDecided.ts'
import { ownEmoteUrl, withOwnEmotes } from '../emotes/emoteAddress.ts'
import { EmoteShelf } from '../emotes/emoteShelf.ts'
import { HeldFiles } from '../media/heldFiles.ts'
import { MediaLibrary } from '../media/library.ts'
import { Measurer } from '../media/measurer.ts'
import type { ProcessEntry } from './processEntry.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import type { ReadShippedFile } from '../media/readyShelf.ts'
import { storeOf } from '../media/storeOf.ts'
import { mediaUploads, uploadsOfPacks } from '../media/channelUploads.ts'
import type { Uploads } from '../media/uploads.ts'
import { LanguageProcess } from '../speech/languages/languageProcess.ts'
import { findEngines } from '../speech/engines.ts'
import { enginesUsed } from '../speech/enginesUsed.ts'
import { prepareLists } from '../speech/wordLists.ts'
import { PlayVoices } from '../speech/playVoices.ts'
import { Speaker } from '../speech/speaker.ts'
import { SpeechCache } from '../speech/speechCache.ts'
import { BoxQueues } from '../queue/boxQueues.ts'
import { Shows } from '../queue/shows.ts'
import { ChannelStream } from '../realtime/channelStream.ts'
import { SourceRooms } from '../realtime/sourceRooms.ts'
import { Clock } from './clock.ts'
import type { Config } from './config.ts'
import { ensureServerSecret, keepPrivate } from './dataFolder.ts'
import { lockFolder } from './folderLock.ts'
import { Heartbeat } from './heartbeat.ts'
import { LiveViews } from './liveViews.ts'
import { createMetrics, type Metrics } from './metrics.ts'

const keepAwakeEveryMs = 4 * 60_000

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
  media: MediaStore
  held: HeldFiles
  measurer: Measurer
  library: MediaLibrary
  uploads: Uploads
  packUploads: Uploads
  /** Files that come with the product. */
  readShippedFile: ReadShippedFile
  onAir: OnAirCache
  history: ViewerHistory
  feeds: FeedDirectory
  linking: Linking
  rooms: SourceRooms
  queues: BoxQueues
  ingest: Ingest
  stream: ChannelStream
  emotes: EmoteShelf
  speaker: Speaker
  /** Starts the engines that a channel's alerts on air speak with, so that the first message does not wait for them. */
  wakeVoices: (channelId: string) => void
  metrics: Metrics
  close(): Promise<void>
}

export interface StartOptions {
  config: Config
  logger: Logger
  migrations: readonly Migration[]
  /** A folder with an empty, initialised embedded database; null: make one. */
  databaseTemplate: string | null
  /** The server's own processes. */
  processes: Record<'measure' | 'languages', ProcessEntry>
  readShippedFile: ReadShippedFile
}

/**
 * Opens the data folder and the database, brings the schema up to date and takes up the queues where they were left.
 */
export async function startServices({
  config,
  logger,
  migrations,
  databaseTemplate,
  processes,
  readShippedFile,
}: StartOptions): Promise<Services> {
  const dataFolder = resolve(config.THUNDERCREST_DATA)
  if (await keepPrivate(dataFolder))
    logger.warn('the data folder was open to others on this machine; it is not any more')
  const unlock = config.DATABASE_URL ? async () => undefined : await lockFolder(dataFolder)
  const database = config.DATABASE_URL
    ? await openServer(config.DATABASE_URL)
    : await openEmbedded(join(dataFolder, 'database'), databaseTemplate)
  const applied = await migrate(database, migrations)
  if (applied.length > 0) logger.info({ applied }, 'database brought up to date')
  const secret = await ensureServerSecret(dataFolder, config.THUNDERCREST_SECRET)
  const { db } = database
  const clock = new Clock()
  const now = () => clock.wallMs()

  const onAir = new OnAirCache(db)
  const history = new ViewerHistory(db)
  const feeds = new FeedDirectory(db)
  const linking = new Linking(db, (channelId, feedId) => {
    feeds.forget(feedId)
    onAir.forget(channelId)
    stream.changed(channelId)
  })
  const trouble = new DatabaseTrouble({
    probe: () => probeDatabase(database),
    onBack: async () => {
      const count = await queues.takeUp()
      if (count > 0) logger.warn({ count }, 'plays were taken up of which nobody knew that they had been written')
    },
    onChange(isDown) {
      if (isDown) logger.error('the database does not answer')
      else logger.warn('the database answers again')
      stream.changedEverywhere()
    },
  })
  const noteTrouble = (error: unknown) => trouble.note(error)
  const stream = new ChannelStream(
    (channelId) => views.read(channelId),
    (error) => logger.error({ err: error }, 'a live view could not be read'),
  )
  const rooms: SourceRooms = new SourceRooms(
    () => clock.steadyMs(),
    (boxId, sourceId) => queues.find(boxId)?.input({ type: 'sourceLeft', sourceId }),
  )
  const metrics = createMetrics(() => rooms.count())
  const engines = findEngines(config.THUNDERCREST_VOICES)
  const languages = new LanguageProcess(processes.languages)
  prepareLists().catch((error: unknown) => logger.error({ err: error }, 'the word lists could not be made ready'))
  const speaker = new Speaker(engines, new SpeechCache(join(dataFolder, 'speech'), secret), languages)
  const changed = (channelId: string) => stream.changed(channelId)
  const measurer = new Measurer(processes.measure)
  const emotes = new EmoteShelf({
    folder: join(dataFolder, 'emotes'),
    logger,
    measure: (path) => measurer.measure(path),
  })
  const shows = new Shows({
    db,
    onAir,
    dress: (show) =>
      withOwnEmotes(show, (url) => {
        const own = ownEmoteUrl(url, secret)
        // Asked for by the time that its turn has come.
        if (own !== url) emotes.warm(url)
        return own
      }),
    voices: new PlayVoices({
      db,
      logger,
      speaker,
      now,
      onChange: changed,
      onNothingToApprove: (boxId, playId) => queues.find(boxId)?.input({ type: 'released', playId }),
    }),
  })
  const queues: BoxQueues = new BoxQueues({
    db,
    logger,
    clock,
    rooms,
    shows,
    noteTrouble,
    onChange: changed,
    onStarted: (waitedMs) => metrics.playWait.observe(waitedMs / 1000),
  })
  const ingest = new Ingest({
    db,
    onAir,
    history,
    queues,
    metrics,
    commits: new GroupCommit({
      commit: (pieces, isAgain) => keepDecided(db, pieces, isAgain),
      isPassing: noteTrouble,
    }),
    onChange: changed,
  })

  const media = storeOf(config, dataFolder)
  const held = new HeldFiles(db, media)
  const uploadsFolder = join(dataFolder, 'uploads')
  await mkdir(uploadsFolder, { recursive: true, mode: 0o700 })
  const library = new MediaLibrary({
    db,
    logger,
    store: media,
    held,
    measurer,
    uploadsFolder,
    now,
    onChange: (channelId) => {
      onAir.forget(channelId)
      stream.changed(channelId)
    },
    isUsed: (channelId, mediaId) => isMediaUsed(db, channelId, mediaId),
  })
  const uploads = mediaUploads(uploadsFolder, library)
  const packFolder = join(uploadsFolder, 'packs')
  await mkdir(packFolder, { recursive: true, mode: 0o700 })
  const packUploads = uploadsOfPacks(packFolder)

  const views = new LiveViews({ db, clock, onAir, queues, library, trouble })
  const heartbeat = new Heartbeat(db, now, (error) => {
    if (!noteTrouble(error)) logger.error({ err: error }, 'that the server runs could not be kept')
  })

  function wakeVoices(channelId: string): void {
    onAir.read(channelId).then(
      (channel) => engines.wake(enginesUsed(channel)),
      (error: unknown) => logger.error({ err: error }, 'the voices of a channel could not be started ahead'),
    )
  }

  const housekeeping = new Housekeeping(
    database,
    () => rooms.count() === 0,
    (error) => {
      if (!noteTrouble(error)) logger.error({ err: error }, 'a table could not be tidied')
    },
  )
  await queues.recover(await heartbeat.start())
  // Voices sleep while nobody could hear them; while a source is there they are kept awake, so that no message waits for them.
  const keepingAwake = setInterval(() => {
    for (const channelId of queues.channelsWithSources()) wakeVoices(channelId)
  }, keepAwakeEveryMs)
  keepingAwake.unref()
  await library.resume()
  await uploads.forgetUnfinished()
  await packUploads.forgetUnfinished()
  return {
    config,
    logger,
    secret,
    dataFolder,
    database,
    clock,
    trouble,
    media,
    held,
    measurer,
    library,
    uploads,
    packUploads,
    readShippedFile,
    onAir,
    history,
    feeds,
    linking,
    rooms,
    queues,
    ingest,
    stream,
    emotes,
    speaker,
    wakeVoices,
    metrics,
    async close() {
      clearInterval(keepingAwake)
      engines.close()
      languages.close()
      rooms.closeAll()
      stream.close()
      library.close()
      uploads.close()
      packUploads.close()
      trouble.close()
      housekeeping.close()
      await queues.close()
      await heartbeat.close()
      await database.close()
      await unlock()
    },
  }
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
