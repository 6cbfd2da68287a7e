import pino from 'pino'
import { plainBox } from '../../core/composition/plainBox.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { laneOfChannel } from '../../core/response/lane.ts'
import { newTrigger, trigger, type Trigger } from '../../core/triggers/schema.ts'
import type { ToStudio } from '../../contract/studioLink.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import type { Database } from '../../server/db/handle.ts'
import { addBox, publishVersion } from '../../server/db/queries/boxes.ts'
import { claim, renew } from '../../server/db/queries/nodes.ts'
import { addChannel, addPerson } from '../../server/db/queries/people.ts'
import type { LaneHold } from '../../server/db/queries/playRecords.ts'
import { addTrigger } from '../../server/db/queries/triggers.ts'
import { decideEvents, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { Clock } from '../../server/system/clock.ts'
import { ChannelCalls, type ChannelCallsDependencies } from '../../server/triggers/channelCalls.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }

/** A trigger of a test: what is not said is as a new one has it, but armed and started by `!bell`. */
export const triggerOf = (id: string, fields: Partial<Trigger> = {}): Trigger =>
  trigger.parse({
    ...newTrigger(id, id),
    isArmed: true,
    starts: [{ by: 'command', word: id, aliases: [] }],
    ...fields,
  })

export const typedBy = (viewerId: string, word: string, rest = ''): Pick<CanonicalEvent, 'kind' | 'data'> => ({
  kind: 'chatCommand',
  data: {
    viewer: { id: viewerId, name: viewerId },
    command: word,
    ...(rest === '' ? {} : { arguments: rest }),
  },
})

/** A channel with a box on air, and who carries out what its viewers set off. What it says and asks for is noted. */
export class CallsRoom {
  readonly said: { text: string; source: string | null }[] = []
  readonly settled: { id: string; as: string }[] = []
  readonly toStudio: ToStudio[] = []
  readonly queued: { boxId: string; playId: string }[] = []
  readonly skipped: string[] = []
  readonly sent: unknown[] = []
  sources = 1
  lost = 0
  shiftMs = 0
  calls!: ChannelCalls
  hold!: LaneHold
  private readonly onAir: OnAirCache
  private count = 0

  private constructor(
    readonly db: Database,
    readonly channelId: string,
  ) {
    this.onAir = new OnAirCache(db)
  }

  static async make(db: Database, channelId: string, triggers: readonly Trigger[]): Promise<CallsRoom> {
    const room = new CallsRoom(db, channelId)
    await addChannel(db, {
      ...{ id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR' },
      calls: {
        prefix: '!',
        listWord: '',
        points: {
          name: { one: 'crumb', many: 'crumbs' },
          presence: null,
          earned: [{ kind: 'follow', points: 50, perMinor: null }],
        },
      },
    })
    await addPerson(db, { id: `p-${channelId}`, email: `${channelId}@x.example`, name: 'p', passwordHash: 'x' })
    const document = plainBox(canvas, [starterAlert('redemption', canvas, { pictureId: null, soundId: null })])
    const boxId = `box-${channelId}`
    await addBox(db, { id: boxId, channelId, name: 'Counter', draft: document, sourceToken: `src-${channelId}` })
    const version = { id: `v-${channelId}`, boxId, document, publishedAt: new Date(), publishedBy: `p-${channelId}` }
    await publishVersion(db, version)
    for (const each of triggers) await addTrigger(db, channelId, each)
    await room.take('one')
    return room
  }

  /** The lane is taken by somebody, who takes up what was left. */
  async take(nodeId: string): Promise<void> {
    await renew(this.db, { id: nodeId, machine: 'm', process: nodeId, seal: '' }, 60_000)
    const claimed = await claim(this.db, nodeId, nodeId === 'one' ? [] : ['one', 'two'].filter((id) => id !== nodeId))
    const own = claimed.find(({ hold }) => hold.lane === laneOfChannel(this.channelId))
    if (!own) throw new Error('the lane is another’s')
    this.hold = own.hold
    this.calls = await ChannelCalls.open(this.channelId, own.hold, this.deps())
  }

  /** Events happen, and what they set off is carried out. Resolves when all of that is written. */
  async happen(...events: (Pick<CanonicalEvent, 'kind' | 'data'> & { id?: string; source?: string })[]): Promise<void> {
    const incoming = events.map(({ kind, data, id, source }): IncomingEvent => ({
      ...{ kind, data, isTest: false },
      source: source ?? 'feed:f',
      externalId: id ?? `e-${this.count++}`,
      occurredAtMs: Date.now(),
    }))
    const onAir = await this.onAir.read(this.channelId)
    const decided = decideEvents({
      ...{ channelId: this.channelId, onAir, incoming, onlyBoxId: null, feed: null, previous: [] },
      ...{ pretended: null, nowMs: Date.now() },
    })
    await keepDecided(this.db, [decided])
    this.calls.wake()
    await this.calls.settled()
  }

  /** What is kept at hand is read anew. */
  forget(): void {
    this.onAir.forget(this.channelId)
  }

  follow(viewerId: string) {
    const { kind, data } = sampleEvent('follow')
    return this.happen({ kind, data: { ...data, viewer: { id: viewerId, name: viewerId } } } as never)
  }

  private deps(): ChannelCallsDependencies {
    return {
      db: this.db,
      logger: pino({ level: 'silent' }),
      clock: new Clock(() => Date.now() + this.shiftMs),
      onAir: (id) => this.onAir.read(id),
      streamMs: async () => 1,
      say: async (_channelId, text, source) => {
        this.said.push({ text, source })
        return ''
      },
      settleRedemption: async ({ event }, as) => void this.settled.push({ id: event.externalId, as }),
      blocked: async (inputs) => inputs.map((input) => input.includes('flour bag')),
      toStudio: (_channelId, message) => void this.toStudio.push(message),
      noteTrouble: () => false,
      onLaneLost: () => void (this.lost += 1),
      onChange: () => undefined,
      add: (boxId, { playId }) => void this.queued.push({ boxId, playId }),
      takeUp: async () => undefined,
      skip: (_boxId, playId) => void this.skipped.push(playId),
      show: async () => Promise.reject(new Error('no box is shown here')),
      toSources: (_boxId, message) => {
        if (message.type !== 'ping') this.sent.push(message)
        return this.sources
      },
      post: async () => '',
    }
  }
}
