import type { Logger } from 'pino'
import { boxOfLane, channelOfLane, laneOfBox, laneOfChannel, type Lane } from '../../core/response/lane.ts'
import type { PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { DatabaseHandle } from '../db/handle.ts'
import type { NodeMark } from '../db/queries/nodes.ts'
import type { DatabaseTrouble } from '../db/trouble.ts'
import type { Bus } from '../lanes/bus.ts'
import { Asks } from '../lanes/asks.ts'
import { laneRegister } from '../lanes/laneRegister.ts'
import { Lanes } from '../lanes/lanes.ts'
import { Neighbours } from '../lanes/neighbours.ts'
import { isGone } from '../lanes/processMark.ts'
import { TakeLanes } from '../lanes/takeLanes.ts'
import { ChannelModel } from '../live/channelModel.ts'
import { ChannelStream } from '../live/channelStream.ts'
import type { BoxAct } from '../queue/boxAct.ts'
import { BoxQueues } from '../queue/boxQueues.ts'
import { Lines } from '../queue/lines.ts'
import { Shows } from '../queue/shows.ts'
import { SourceRooms } from '../realtime/sourceRooms.ts'
import { Streams } from '../channel/streams.ts'
import { findStudio } from '../db/queries/runs.ts'
import { StudioLinks } from '../studio/studioLinks.ts'
import type { CallAct } from '../triggers/callAct.ts'
import { Calls } from '../triggers/calls.ts'
import { callsLive } from '../triggers/callsLive.ts'
import type { ChannelCallsDependencies } from '../triggers/channelCalls.ts'
import { PlayVoices } from '../speech/playVoices.ts'
import type { Speaker } from '../speech/speaker.ts'
import type { Clock } from './clock.ts'

interface LiveOptions {
  database: DatabaseHandle
  logger: Logger
  clock: Clock
  mark: NodeMark
  bus: Bus
  onAir: OnAirCache
  speaker: Speaker
  trouble: DatabaseTrouble
  /** What sources are given of a play: its emotes where this server has them. */
  dress: (show: PlayToShow) => PlayToShow
  /** Counts up with every change of a channel's library. */
  libraryRevision: (channelId: string) => number
  forget: (channelId: string | null, feedId: string | null) => void
  /** What of the outside the run sheets of a channel reach. */
  outside: Pick<ChannelCallsDependencies, 'say' | 'settleRedemption' | 'post'>
  libraryChanged: (channelId: string) => void
  /** Something happened elsewhere that boards may show. */
  happened: (channelId: string) => void
  onNodes: (nodeIds: ReadonlySet<string>) => void
  onStarted: (waitedMs: number) => void
  /** What is done with an error; where it is the database's, it is known to be in trouble. */
  noteError: (words: string) => (error: unknown) => void
}

/** What happens live: lines and who carries them out, sources, screens, and what processes tell each other of all that. */
export function startLive(options: LiveOptions) {
  const { database, logger, clock, mark, bus, onAir, trouble, noteError } = options
  const { db } = database
  const isAlone = database.kind === 'embedded'
  const steadyMs = () => clock.steadyMs()
  const stream = new ChannelStream({
    model: (channelId) =>
      new ChannelModel(channelId, {
        ...{ db, clock, onAir, neighbours, trouble },
        library: { revision: options.libraryRevision },
        calls: (id) => callsLive(db, id, onAir, calls),
      }),
    wallMs: () => clock.wallMs(),
    onError: (error) => logger.error({ err: error }, 'a live view could not be read'),
    onWatched: (channelId) => neighbours.watch([channelId]),
    onChanged: (channelId, topic) => neighbours.channelChanged(channelId, topic),
  })
  const rooms: SourceRooms = new SourceRooms(
    steadyMs,
    (boxId, sourceId) => lines.input(boxId, { type: 'sourceLeft', sourceId }),
    (channelId, boxId) => {
      stream.changedHere(channelId, 'sources')
      neighbours.sourcesChanged(channelId, boxId)
    },
  )
  const voices = new PlayVoices({
    db,
    logger,
    speaker: options.speaker,
    now: () => clock.wallMs(),
    onChange: (channelId, playId) => stream.changed(channelId, `play ${playId}`),
    onNothingToApprove: (boxId, playId) => queues.input(boxId, { type: 'released', playId }),
  })
  const streams = new Streams({
    db,
    now: () => clock.wallMs(),
    isPresent: (channelId) => queues.channelsWithSources().has(channelId),
  })
  const studioLinks: StudioLinks = new StudioLinks({
    secretOf: async (channelId) => (await findStudio(db, channelId))?.secret ?? null,
    onSaid: (channelId, linkId, said) => calls.studioSaid(channelId, linkId, said),
    onError: noteError('what a studio said could not be dealt with'),
  })
  const tellStudios = (lanes: readonly Lane[]) =>
    studioLinks.tellAgain(lanes.flatMap((lane) => channelOfLane(lane) ?? []))
  const tellSources = (boxId: string, sourceIds: readonly string[] | null, message: ToSource): number => {
    const ids = sourceIds ?? neighbours.sourcesOf(boxId).map(({ id }) => id)
    rooms.send(boxId, ids, message)
    if (lanes.hasOthers) bus.publish({ type: 'toSources', boxId, sourceIds: [...ids], message })
    return ids.length
  }
  const calls: Calls = new Calls({
    asks: () => asks,
    of: (channelId) => ({
      ...{ db, logger, clock, ...options.outside },
      onAir: (id) => onAir.read(id),
      streamMs: (id) => streams.beganMs(id),
      noteTrouble: (error) => trouble.note(error),
      add(boxId, ticket, speaks) {
        lines.add(boxId, ticket, speaks)
      },
      takeUp: (playId) => queues.takeUpPlays([playId]),
      skip: (boxId, playId, reason) => lines.input(boxId, { type: 'removed', playId, outcome: 'skipped', reason }),
      show: (playId) => shows.show(playId),
      toSources(boxId, message) {
        return tellSources(boxId, null, message)
      },
      blocked: (inputs, { speech, locale }) => options.speaker.blocked(inputs, speech, locale),
      toStudio(id, message) {
        studioLinks.send(id, message)
        if (lanes.hasOthers) bus.publish({ type: 'toStudio', channelId: id, message })
      },
      onLaneLost: () => lanes.lost(laneOfChannel(channelId)),
      onChange() {
        stream.changed(channelId, 'calls')
        queues.studioChanged(channelId)
      },
    }),
  })
  const shows = new Shows({ db, onAir, dress: options.dress, voices })
  const queues: BoxQueues = new BoxQueues({
    db,
    logger,
    clock,
    shows,
    onAir,
    sceneOf: async (channelId) => (await calls.studioOf(channelId))?.programme ?? null,
    send(nodeId, boxId, sourceIds, message) {
      if (nodeId === null) rooms.send(boxId, sourceIds, message)
      else bus.send(nodeId, { type: 'toSources', boxId, sourceIds: [...sourceIds], message })
    },
    isSure: () => lanes.isSure,
    onLaneLost: (boxId) => lanes.lost(laneOfBox(boxId)),
    letGo: (boxId) => lanes.letGo(laneOfBox(boxId)),
    noteTrouble: (error) => trouble.note(error),
    onChange(channelId, boxId) {
      stream.changedHere(channelId, `line ${boxId}`)
      neighbours.lineChanged(channelId, boxId)
    },
    onPlayChanged: (channelId, playId) => stream.changed(channelId, `play ${playId}`),
    onStarted: options.onStarted,
    onPlay: (channelId, playId, is, reason) => calls.played(channelId, playId, is, reason),
  })
  const takeLanes = new TakeLanes({
    db,
    queues,
    openChannel: (channelId, hold) => calls.open(channelId, hold),
    onTaken(taken) {
      neighbours.taken(taken)
      tellStudios(taken)
    },
    giveBack: (lane) => lanes.letGo(lane),
    onError: noteError('the line of a box could not be taken up'),
  })
  const lanes: Lanes = new Lanes({
    mark,
    register: laneRegister(db, mark, isAlone),
    isAlone,
    steadyMs,
    isGone: (other) => isGone(other, mark),
    onTaken: (claimed) => takeLanes.open(claimed),
    onLost(lane) {
      const boxId = boxOfLane(lane)
      if (boxId !== null) queues.drop(boxId)
      const channelId = channelOfLane(lane)
      if (channelId !== null) calls.drop(channelId)
      void neighbours.laneLost(lane)
      logger.warn({ lane }, 'a line is carried out by another process now')
    },
    onSure: (isSure) => queues.doubt(!isSure),
    onNodes(nodeIds) {
      neighbours.keepNodes(nodeIds)
      options.onNodes(nodeIds)
    },
    onError: noteError('whose lines are whose could not be found out'),
  })
  const asks: Asks = new Asks({
    ...{ bus, lanes, steadyMs },
    here(lane, act) {
      const boxId = boxOfLane(lane)
      if (boxId === null) return calls.here(lane, act as CallAct)
      return queues.find(boxId) ? queues.act(boxId, act as BoxAct) : null
    },
  })
  const lines: Lines = new Lines({ bus, lanes, queues, asks })
  const neighbours: Neighbours = new Neighbours({
    ...{ bus, clock, lanes, queues, asks, rooms },
    wakeCalls: (channelIds) => calls.wake(channelIds),
    toStudio: (channelId, message) => studioLinks.send(channelId, message),
    retellStudio: tellStudios,
    forget: options.forget,
    libraryChanged: options.libraryChanged,
    happened: options.happened,
    changed(channelId, topic) {
      if (channelId === null) stream.changedEverywhere()
      else stream.changedHere(channelId, topic)
    },
    sessionEnded: (sessionId) => stream.endSession(sessionId),
    watched: () => stream.watched(),
    onError: noteError('something that another process said could not be done'),
  })
  return {
    ...{ stream, rooms, queues, lanes, lines, neighbours, calls, studioLinks, streams, tellSources },
    /** Everything is written, the lines are let go, and whoever is there takes them at once. */
    async close(): Promise<void> {
      rooms.closeAll()
      studioLinks.closeAll()
      lanes.stop()
      neighbours.close()
      await calls.close()
      await queues.close()
      await lanes.leave().catch(noteError('the lines could not be handed over'))
      bus.publish({ type: 'left' })
    },
  }
}
