import { mkdir } from 'node:fs/promises'
import { join, resolve } from 'node:path'
import type { Logger } from 'pino'
import { OnAirCache } from '../channel/onAir.ts'
import type { DatabaseHandle } from '../db/handle.ts'
import { migrate, type Migration } from '../db/migrate.ts'
import { openEmbedded } from '../db/openEmbedded.ts'
import { isMediaUsed } from '../db/queries/boxes.ts'
import { openServer } from '../db/openServer.ts'
import { FeedDirectory } from '../channel/feedDirectory.ts'
import { Linking } from '../feeds/linking.ts'
import { DatabaseTrouble } from '../db/trouble.ts'
import { Housekeeping } from '../db/housekeeping.ts'
import { probeDatabase } from '../db/probe.ts'
import { GroupCommit } from '../ingest/groupCommit.ts'
import { Ingest } from '../ingest/ingest.ts'
import { ViewerHistory } from '../channel/viewerHistory.ts'
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
import { Lanes } from '../lanes/lanes.ts'
import { laneRegister } from '../lanes/laneRegister.ts'
import { Neighbours } from '../lanes/neighbours.ts'
import { isGone, markOf } from '../lanes/processMark.ts'
import { sealOf, TakeLanes } from '../lanes/takeLanes.ts'
import { LanguageProcess } from '../speech/languages/languageProcess.ts'
import { findEngines } from '../speech/engines.ts'
import { enginesUsed } from '../speech/enginesUsed.ts'
import { prepareLists } from '../speech/wordLists.ts'
import { PlayVoices } from '../speech/playVoices.ts'
import { Speaker } from '../speech/speaker.ts'
import { SpeechCache } from '../speech/speechCache.ts'
import { BoxQueues } from '../queue/boxQueues.ts'
import { Lines } from '../queue/lines.ts'
import { Shows } from '../queue/shows.ts'
import { ChannelStream } from '../realtime/channelStream.ts'
import { SourceRooms } from '../realtime/sourceRooms.ts'
import { Clock } from './clock.ts'
import type { Config } from './config.ts'
import { ensureServerSecret, keepPrivate } from './dataFolder.ts'
import { lockFolder } from './folderLock.ts'
import { newId } from './ids.ts'
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
  /** The lines of all boxes, whichever process carries them out. */
  lines: Lines
  lanes: Lanes
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

  const nodeId = newId('node')
  const mark = markOf(nodeId, sealOf(secret))
  const bus = await database.openBus(nodeId)

  const onAir = new OnAirCache(db, (channelId) => bus.publish({ type: 'forget', channelId, feedId: null }))
  const history = new ViewerHistory(db)
  const feeds = new FeedDirectory(db, (feedId) => bus.publish({ type: 'forget', channelId: null, feedId }))
  const linking = new Linking(db, (channelId, feedId) => {
    feeds.forget(feedId)
    onAir.forget(channelId)
    changed(channelId)
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
    (channelId) => neighbours.watch([channelId]),
  )
  const rooms: SourceRooms = new SourceRooms(
    () => clock.steadyMs(),
    (boxId, sourceId) => lines.input(boxId, { type: 'sourceLeft', sourceId }),
    (channelId, boxId) => {
      stream.changed(channelId)
      neighbours.sourcesChanged(channelId, boxId)
    },
  )
  const metrics = createMetrics(() => rooms.count())
  const engines = findEngines(config.THUNDERCREST_VOICES)
  const languages = new LanguageProcess(processes.languages)
  prepareLists().catch((error: unknown) => logger.error({ err: error }, 'the word lists could not be made ready'))
  const speaker = new Speaker(engines, new SpeechCache(join(dataFolder, 'speech'), secret), languages)
  const changed = (channelId: string) => {
    stream.changed(channelId)
    neighbours.channelChanged(channelId)
  }
  const noteError = (words: string) => (error: unknown) => {
    if (!noteTrouble(error)) logger.error({ err: error }, words)
  }
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
      onNothingToApprove: (boxId, playId) => queues.input(boxId, { type: 'released', playId }),
    }),
  })
  const queues: BoxQueues = new BoxQueues({
    db,
    logger,
    clock,
    shows,
    send(node, boxId, sourceIds, message) {
      if (node === null) rooms.send(boxId, sourceIds, message)
      else bus.send(node, { type: 'toSources', boxId, sourceIds: [...sourceIds], message })
    },
    isSure: () => lanes.isSure,
    onLaneLost: (boxId) => lanes.lost(boxId),
    noteTrouble,
    onChange(channelId, boxId) {
      stream.changed(channelId)
      neighbours.lineChanged(channelId, boxId)
    },
    onStarted: (waitedMs) => metrics.playWait.observe(waitedMs / 1000),
  })
  const takeLanes = new TakeLanes({
    db,
    queues,
    onTaken: (boxIds) => neighbours.taken(boxIds),
    giveBack: (boxId) => lanes.letGo(boxId),
    onError: noteError('the line of a box could not be taken up'),
  })
  const lanes: Lanes = new Lanes({
    mark,
    register: laneRegister(db, mark, database.kind === 'embedded'),
    isAlone: database.kind === 'embedded',
    steadyMs: () => clock.steadyMs(),
    isGone: (other) => isGone(other, mark),
    onTaken: (claimed) => takeLanes.open(claimed),
    onLost(boxId) {
      queues.drop(boxId)
      logger.warn({ boxId }, 'the line of a box is carried out by another process now')
    },
    onSure: (isSure) => queues.doubt(!isSure),
    onNodes(nodeIds) {
      neighbours.keepNodes(nodeIds)
      library.takeOver([...nodeIds]).catch(noteError('files could not be taken over for measuring'))
    },
    onError: noteError('whose lines are whose could not be found out'),
  })
  const lines: Lines = new Lines({ bus, lanes, queues, steadyMs: () => clock.steadyMs() })
  const neighbours: Neighbours = new Neighbours({
    bus,
    clock,
    lanes,
    queues,
    lines,
    rooms,
    forget(channelId, feedId) {
      if (feedId === null) onAir.forgetHere(channelId)
      if (channelId === null) feeds.forgetHere(feedId)
    },
    libraryChanged: (channelId) => library.changedElsewhere(channelId),
    changed(channelId) {
      if (channelId === null) stream.changedEverywhere()
      else stream.changed(channelId)
    },
    sessionEnded: (sessionId) => stream.endSession(sessionId),
    watched: () => stream.watched(),
    onError: noteError('something that another process said could not be done'),
  })
  const ingest = new Ingest({
    db,
    onAir,
    history,
    lines,
    metrics,
    commits: new GroupCommit({
      commit: (pieces, isAgain) =>
        keepDecided(db, pieces, isAgain, lines.wakeWith(pieces.flatMap(({ plays }) => plays))),
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
    nodeId,
    onChange: (channelId) => {
      onAir.forget(channelId)
      bus.publish({ type: 'library', channelId })
      changed(channelId)
    },
    isUsed: (channelId, mediaId) => isMediaUsed(db, channelId, mediaId),
  })
  const uploads = mediaUploads(uploadsFolder, library)
  const packFolder = join(uploadsFolder, 'packs')
  await mkdir(packFolder, { recursive: true, mode: 0o700 })
  const packUploads = uploadsOfPacks(packFolder)

  const views = new LiveViews({ db, clock, onAir, neighbours, library, trouble })
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
  await lanes.start()
  await lanes.askOwners()
  // Voices sleep while nobody could hear them; while a source is there they are kept awake, so that no message waits for them.
  const keepingAwake = setInterval(() => {
    for (const channelId of queues.channelsWithSources()) wakeVoices(channelId)
  }, keepAwakeEveryMs)
  keepingAwake.unref()
  await library.takeOver([nodeId, ...lanes.others()])
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
    lines,
    lanes,
    async takeFreeLanes() {
      bus.publish({ type: 'left' })
      await lanes.lookNow()
    },
    closeSources(boxId, code, reason) {
      rooms.closeBox(boxId, code, reason)
      bus.publish({ type: 'closeBox', boxId, code, reason })
    },
    endSessionScreens(sessionId) {
      stream.endSession(sessionId)
      bus.publish({ type: 'sessionEnded', sessionId })
    },
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
      lanes.stop()
      neighbours.close()
      await queues.close()
      // Everything is written: whoever looks next takes the lines, and is told to look.
      await lanes.leave().catch(noteError('the lines could not be handed over'))
      bus.publish({ type: 'left' })
      await bus.close()
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
