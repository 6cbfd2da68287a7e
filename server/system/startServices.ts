import { join, resolve } from 'node:path'
import type { Logger } from 'pino'
import { KeyLimits } from '../auth/keyLimits.ts'
import { SignInLimits } from '../auth/loginLimit.ts'
import { FeedDirectory } from '../channel/feedDirectory.ts'
import { OnAirCache } from '../channel/onAir.ts'
import { ViewerHistory } from '../channel/viewerHistory.ts'
import { limiterStore } from '../db/limiterStore.ts'
import { bringUpToDate } from '../db/bringUpToDate.ts'
import type { Migration } from '../db/migrate.ts'
import { probeDatabase } from '../db/probe.ts'
import { isMediaUsed } from '../db/queries/boxes.ts'
import { DatabaseTrouble } from '../db/trouble.ts'
import { ownEmoteUrl, withOwnEmotes } from '../emotes/emoteAddress.ts'
import { EmoteShelf } from '../emotes/emoteShelf.ts'
import { Linking } from '../feeds/linking.ts'
import { GroupCommit } from '../ingest/groupCommit.ts'
import { Ingest } from '../ingest/ingest.ts'
import { startBoards } from '../boards/startBoards.ts'
import { GoalKeeper } from '../goals/goalKeeper.ts'
import { keepDecided } from '../ingest/keepDecided.ts'
import { markOf, sealOf } from '../lanes/processMark.ts'
import { mediaUploads, uploadsOfPacks } from '../media/channelUploads.ts'
import { HeldFiles } from '../media/heldFiles.ts'
import { MediaLibrary } from '../media/library.ts'
import { Measurer } from '../media/measurer.ts'
import { quotaOf } from '../media/quota.ts'
import type { ReadShippedFile } from '../media/readyShelf.ts'
import { storeOf } from '../media/storeOf.ts'
import { uploadFolders } from '../media/uploadFolders.ts'
import { enginesUsed } from '../speech/enginesUsed.ts'
import { startVoices } from '../speech/startVoices.ts'
import { startStandIns } from '../standIns/startStandIns.ts'
import { startSponsors } from '../sponsors/startSponsors.ts'
import { startTips } from '../tips/startTips.ts'
import { CallsClock } from '../triggers/callsClock.ts'
import { webhookPoster, webhookSecret } from '../triggers/webhook.ts'
import { ownAddress } from '../http/ownOrigin.ts'
import { Clock } from './clock.ts'
import type { Config } from './config.ts'
import { ensureServerSecret, keepPrivate } from './dataFolder.ts'
import { newId } from './ids.ts'
import { openDatabase } from './openDatabase.ts'
import { createMetrics } from './metrics.ts'
import type { ProcessEntry } from './processEntry.ts'
import type { Services } from './services.ts'
import { startLive } from './startLive.ts'
import { startUpkeep } from './startUpkeep.ts'

const keepAwakeEveryMs = 4 * 60_000
/** A goal begins and ends by the clock. */
const goalsEveryMs = 2_000

export interface StartOptions {
  config: Config
  logger: Logger
  migrations: readonly Migration[]
  /** A folder with an empty, initialised embedded database; null: make one. */
  databaseTemplate: string | null
  /** The server's own processes. */
  processes: Record<'measure' | 'languages', ProcessEntry> & { database: ProcessEntry | null }
  readShippedFile: ReadShippedFile
}

/**
 * Opens the data folder and the database, brings the schema up to date and takes up the lines that nobody carries out.
 */
export async function startServices(options: StartOptions): Promise<Services> {
  const { config, logger, migrations, processes, readShippedFile } = options
  const dataFolder = resolve(config.THUNDERCREST_DATA)
  if (await keepPrivate(dataFolder))
    logger.warn('the data folder was open to others on this machine; it is not any more')
  const { database, unlock } = await openDatabase(options, dataFolder)
  await bringUpToDate(database, migrations, logger)
  const secret = await ensureServerSecret(dataFolder, config.THUNDERCREST_SECRET)
  const { db } = database
  const clock = new Clock()
  const now = () => clock.wallMs()
  const mark = markOf(newId('node'), sealOf(secret))
  const bus = await database.openBus(mark.id)

  const pageUrl = (page: 'list' | 'tip' | 'go', id: string) =>
    new URL(`/${page}/${id}`, config.THUNDERCREST_ADDRESSES[0] ?? ownAddress(config)).href
  const onAir = new OnAirCache(
    db,
    (channelId) => {
      bus.publish({ type: 'forget', channelId, feedId: null })
      void boards.changed(channelId)
    },
    pageUrl,
  )
  const feeds = new FeedDirectory(db, (feedId) => bus.publish({ type: 'forget', channelId: null, feedId }))
  const trouble = new DatabaseTrouble({
    probe: () => probeDatabase(database),
    onBack: async () => {
      const count = await live.queues.takeUp()
      if (count > 0) logger.warn({ count }, 'plays were taken up of which nobody knew that they had been written')
    },
    onChange(isDown) {
      if (isDown) logger.error('the database does not answer')
      else logger.warn('the database answers again')
      live.stream.changedEverywhere()
    },
  })
  const noteError = (words: string) => (error: unknown) => {
    if (!trouble.note(error)) logger.error({ err: error }, words)
  }
  const metrics = createMetrics(() => live.rooms.count())
  const { engines, languages, speaker } = startVoices(config, logger, dataFolder, secret, processes.languages)
  const measurer = new Measurer(processes.measure)
  const emotes = new EmoteShelf({
    folder: join(dataFolder, 'emotes'),
    logger,
    measure: (path) => measurer.measure(path),
  })
  function wakeVoices(channelId: string): void {
    onAir.read(channelId).then(
      (channel) => engines.wake(enginesUsed(channel)),
      (error: unknown) => logger.error({ err: error }, 'the voices of a channel could not be started ahead'),
    )
  }
  /** Where this server has the picture of an emote. It is asked for by the time that it is shown. */
  function ownEmote(url: string): string {
    const own = ownEmoteUrl(url, secret)
    if (own !== url) emotes.warm(url)
    return own
  }
  const { close: closeStandIns, ...standIns } = startStandIns(database, clock, config, {
    channels: () => live.calls.opened(),
    onError: noteError('a stand-in could not say something'),
  })
  const { platformDesk } = standIns
  const live = startLive({
    database,
    logger,
    clock,
    mark,
    bus,
    onAir,
    speaker,
    trouble,
    dress: (show) => withOwnEmotes(show, ownEmote),
    libraryRevision: (channelId) => library.revision(channelId),
    forget(channelId, feedId) {
      if (feedId === null) onAir.forgetHere(channelId)
      if (channelId !== null) void boards.changed(channelId)
      if (channelId === null) feeds.forgetHere(feedId)
      if (channelId !== null && live.queues.channelsWithSources().has(channelId)) wakeVoices(channelId)
    },
    outside: {
      say: (channelId, text, source) => platformDesk.say(channelId, text, source),
      settleRedemption: (row, as) => platformDesk.settleRedemption(row, as),
      post: webhookPoster({ secret: webhookSecret(secret) }),
    },
    libraryChanged: (channelId) => library.changedElsewhere(channelId),
    happened: (channelId) => boards.happened(channelId, null),
    onNodes: (nodeIds) =>
      void library.takeOver([...nodeIds]).catch(noteError('files could not be taken over for measuring')),
    onStarted: (waitedMs) => metrics.playWait.observe(waitedMs / 1000),
    noteError,
  })
  const { rooms, stream, queues, lanes, lines, calls, studioLinks, streams, neighbours } = live
  const linking = new Linking(db, (channelId, feedId) => {
    feeds.forget(feedId)
    onAir.forget(channelId)
    stream.changed(channelId)
  })
  const ingest = new Ingest({
    db,
    onAir,
    history: new ViewerHistory(db),
    lines,
    metrics,
    commits: new GroupCommit({
      async commit(pieces, isAgain) {
        const asked = pieces.flatMap(({ rows }) => rows.runs.map(({ channelId }) => channelId))
        const plays = pieces.flatMap((piece) => piece.plays)
        const kept = await keepDecided(db, pieces, isAgain, lines.wakeWith(plays, asked))
        // All of them at once, and before anybody is told: what is acknowledged is in its line.
        lines.enqueue(kept.flatMap((each) => each.plays))
        calls.wake(new Set(kept.flatMap(({ callsIn }) => callsIn)))
        goals.wake(new Set(kept.flatMap(({ countedIn }) => countedIn)))
        shownBoards.boardNews(kept.flatMap(({ events }) => events))
        return kept
      },
      isPassing: (error) => trouble.note(error),
    }),
    onChange: (channelId) => stream.changed(channelId, 'feeds'),
    takeAway: (channelId, deliveryId, removals) => shownBoards.takeAway(channelId, deliveryId, removals),
  })
  const shownBoards = startBoards({
    ...{ db, now, rooms, ownEmote },
    streamMs: (channelId) => streams.beganMs(channelId),
    blocked: (texts, settings, locale) => speaker.blocked(texts, settings, locale),
    onAir: (channelId) => onAir.read(channelId),
    tellOthers: (channelId) => neighbours.happened(channelId),
    onError: noteError('a board could not be told something'),
  })
  const { boards, sliceReader } = shownBoards

  const goals = new GoalKeeper({
    ...{ db, now },
    onAir: (channelId) => onAir.read(channelId),
    forget: (channelId) => onAir.forget(channelId),
    accept: (channelId, incoming) => ingest.accept(channelId, incoming),
    onChange(channelId) {
      stream.changed(channelId, 'goals')
      shownBoards.changedOf(channelId, 'goal')
    },
    onError: noteError('goals could not be looked at'),
  })
  const tips = startTips({
    ...{ db, now, calls, lines, goals, ingest, boards: shownBoards, provider: standIns.provider },
    tipUrl: (channelId) => pageUrl('tip', channelId),
    onError: noteError('an alert of what was given back could not be taken out of its line'),
  })
  const sponsors = startSponsors({
    ...{ db, now, neighbours, ingest, boards: shownBoards, calls, stream },
    onAir: (channelId) => onAir.read(channelId),
    goUrl: (code) => pageUrl('go', code),
    onError: noteError('sponsors could not be given their turns'),
  })
  const media = storeOf(config, dataFolder)
  const held = new HeldFiles(db, media)
  const folders = await uploadFolders(dataFolder)
  const library: MediaLibrary = new MediaLibrary({
    db,
    logger,
    store: media,
    held,
    measurer,
    uploadsFolder: folders.files,
    now,
    nodeId: mark.id,
    onChange: (channelId) => {
      onAir.forget(channelId)
      bus.publish({ type: 'library', channelId })
      stream.changed(channelId, 'library')
    },
    isUsed: (channelId, mediaId) => isMediaUsed(db, channelId, mediaId),
  })
  const uploads = mediaUploads(folders.files, library, quotaOf(config))
  const packUploads = uploadsOfPacks(folders.packs)
  const isQuiet = () => rooms.count() === 0
  const upkeep = await startUpkeep({ database, media, dataFolder, config, logger, secret, isQuiet, noteError })
  const callsClock = new CallsClock({
    calls,
    now,
    onAir: (channelId) => onAir.read(channelId),
    accept: (channelId, incoming) => ingest.accept(channelId, incoming),
    present: (channelId) => platformDesk.present(channelId),
    lookAtStream: (channelId) => streams.beganMs(channelId),
    onError: noteError('what time sets off could not be looked at'),
  })
  const lookingAtGoals = setInterval(() => goals.wake(calls.opened()), goalsEveryMs)
  lookingAtGoals.unref()
  await lanes.start()
  await lanes.askOwners()
  // Voices sleep while nobody could hear them; while a source is there they are kept awake, so that no message waits for them.
  const keepingAwake = setInterval(() => {
    for (const channelId of queues.channelsWithSources()) wakeVoices(channelId)
  }, keepAwakeEveryMs)
  keepingAwake.unref()
  await library.takeOver([mark.id, ...lanes.others()])
  await library.resume()
  await uploads.forgetUnfinished()
  await packUploads.forgetUnfinished()
  return {
    ...{ config, logger, secret, dataFolder, database, clock, trouble, media, held, measurer, library, uploads },
    ...{ packUploads, readShippedFile, onAir, feeds, linking, rooms, lines, ingest, stream, emotes, speaker },
    ...{ calls, studioLinks, boards, sliceReader, ...standIns, ...tips, ...sponsors.port },
    leaveStudio(channelId, reason) {
      studioLinks.send(channelId, { type: 'leave', reason })
      bus.publish({ type: 'toStudio', channelId, message: { type: 'leave', reason } })
    },
    callsChanged(channelId) {
      onAir.forget(channelId)
      stream.changed(channelId, 'calls')
    },
    goalsChanged(channelId) {
      onAir.forget(channelId)
      return goals.look(channelId)
    },
    ...{ wakeVoices, metrics, signInLimits: new SignInLimits(limiterStore(db)), keyLimits: new KeyLimits() },
    async takeFreeLanes() {
      bus.publish({ type: 'left' })
      await lanes.lookNow()
    },
    tellSources: (boxId, sourceIds, message) => void live.tellSources(boxId, sourceIds, message),
    closeSources(boxId, code, reason) {
      rooms.closeBox(boxId, code, reason)
      bus.publish({ type: 'closeBox', boxId, code, reason })
    },
    endSessionScreens(sessionId) {
      stream.endSession(sessionId)
      bus.publish({ type: 'sessionEnded', sessionId })
    },
    async close() {
      clearInterval(keepingAwake)
      clearInterval(lookingAtGoals)
      callsClock.close()
      closeStandIns()
      sponsors.close()
      for (const each of [engines, languages, stream, boards, library, uploads, packUploads, trouble, upkeep])
        each.close()
      await live.close()
      await bus.close()
      await database.close()
      await unlock()
    },
  }
}
