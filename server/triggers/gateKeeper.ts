import { askGate, type GateAsk } from '../../core/gate/askGate.ts'
import { gateOfCall } from '../../core/gate/gateOfCall.ts'
import { gateWords, refusalSaid, refusalWords, type Refused } from '../../core/gate/refusalWords.ts'
import { release } from '../../core/gate/release.ts'
import type { Standing } from '../../core/gate/standing.ts'
import { unusedByViewer, unusedGate, type GateState, type Reservation, type ViewerUses } from '../../core/gate/state.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { RunPlan } from '../../core/sheet/planRunSheet.ts'
import { needsStudio } from '../../core/triggers/calledEvent.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { Result } from '../../core/result.ts'
import type { Database } from '../db/handle.ts'
import { readBalances, readStandings, readUses, type CallRecords, type RunRow } from '../db/queries/runs.ts'
import type { Clock } from '../system/clock.ts'
import { dropOldest } from '../../core/dropOldest.ts'

/** What a gate said to one who asked. */
export type Answered = { row: RunRow } & (
  { is: 'allowed'; trigger: Trigger; plan: RunPlan } | { is: 'refused'; reason: string; said: string | null }
)

interface GateKeeperDependencies {
  db: Database
  clock: Clock
  channelId: string
  studio: { isLinked: boolean; scene: string | null }
  /** Lays the sheet of a trigger out for somebody; or why it cannot be. */
  plan: (trigger: Trigger, row: RunRow) => Result<RunPlan, string>
  /** Which of what viewers typed holds a word that the channel blocks. */
  blocked: (inputs: readonly string[], channel: ChannelOnAir) => Promise<boolean[]>
  /** Takes what is to be kept of it. */
  keep: (records: Partial<CallRecords>) => void
}

/** So many are at hand: more viewers than have something waiting. */
const usesKept = 20_000

/** Whether a gate asks for what platforms say of subscriptions. */
const asksStanding = ({ gate }: Trigger) => gate.who?.of.some(({ is }) => is === 'tier' || is === 'months') ?? false

/** Asks the gates of a channel, for one after another, and keeps what they set aside. */
export class GateKeeper {
  /** What viewers did of triggers lately. Nobody else changes that while the lane is this process's. */
  private readonly uses = new Map<string, ViewerUses>()

  constructor(
    private readonly states: Map<string, GateState>,
    private readonly deps: GateKeeperDependencies,
  ) {}

  setStock(triggerId: string, left: number | null): void {
    const state = { ...(this.states.get(triggerId) ?? unusedGate(left)), left }
    this.states.set(triggerId, state)
    this.deps.keep({ states: [{ triggerId, state }] })
  }

  /**
   * Decides who is let through. Everything that earlier decisions led to has to be written by then.
   * @throws where the database does not answer: then nothing was decided
   */
  async ask(rows: readonly RunRow[], channel: ChannelOnAir, streamMs: number): Promise<Answered[]> {
    const { db, channelId, clock, blocked } = this.deps
    const triggers = new Map(channel.triggers.map((each) => [each.id, each]))
    const viewerIds = [...new Set(rows.flatMap(({ viewerId }) => viewerId ?? []))]
    const standing = new Set(channel.triggers.filter(asksStanding).map(({ id }) => id))
    const typed = rows.filter(
      ({ triggerId, input }) => input !== '' && triggers.get(triggerId)?.gate.asked?.as === 'text',
    )
    const [balances, uses, standings, areBlocked] = await Promise.all([
      readBalances(db, channelId, viewerIds),
      readUses(db, channelId, viewerIds),
      readStandings(
        db,
        channelId,
        rows.flatMap(({ triggerId, event: { source, data } }) =>
          data.viewer && standing.has(triggerId) ? [{ source, id: data.viewer.id }] : [],
        ),
        clock.wallMs(),
      ),
      blocked(
        typed.map(({ input }) => input),
        channel,
      ),
    ])
    this.learn(uses)
    const ofBlocked = new Set(typed.filter((_row, index) => areBlocked[index]).map(({ id }) => id))
    return rows.map((row) => {
      const isBlocked = ofBlocked.has(row.id)
      return this.askOne({ row, isBlocked }, triggers.get(row.triggerId), channel, streamMs, balances, standings)
    })
  }

  /** Takes what is kept of viewers' uses: a use that is given back is taken from as many as there were. */
  learn(uses: readonly CallRecords['uses'][number][]): void {
    for (const each of uses) this.uses.set(`${each.triggerId} ${each.viewerId}`, each.uses)
    dropOldest(this.uses, usesKept)
  }

  /** Takes a use back that never began: what is given back, with the entry of the ledger. */
  release(triggerId: string, runId: string, viewerName: string, reserved: Reservation): void {
    const { clock, keep } = this.deps
    const key = `${triggerId} ${reserved.viewerId}`
    const kept = this.states.get(triggerId) ?? unusedGate(null)
    const { state, viewer } = release(reserved, kept, this.uses.get(key) ?? usesAt(reserved))
    this.states.set(triggerId, state)
    this.uses.set(key, viewer)
    keep({
      states: [{ triggerId, state }],
      uses: reserved.viewerId === '' ? [] : [{ triggerId, viewerId: reserved.viewerId, uses: viewer }],
      entries: entryOf(reserved, viewerName, reserved.cost, 'given back', `release:${runId}`, clock),
    })
  }

  private askOne(
    { row, isBlocked }: { row: RunRow; isBlocked: boolean },
    trigger: Trigger | undefined,
    channel: ChannelOnAir,
    streamMs: number,
    balances: Map<string, number>,
    standings: Map<string, Standing>,
  ): Answered {
    const { clock, studio, keep, plan } = this.deps
    const nowMs = clock.wallMs()
    if (!trigger) return { row, is: 'refused', reason: 'There is no such trigger any more.', said: null }
    const gate = gateOfCall(trigger.gate, row)
    const viewerId = row.viewerId ?? ''
    const key = `${trigger.id} ${viewerId}`
    const kept = this.uses.get(key) ?? unusedByViewer
    const ask: GateAsk = {
      isArmed: trigger.isArmed,
      viewer: viewerOf(row, standings.get(viewerId), kept.lastMs === null),
      input: row.input,
      isBlocked,
      ...{ nowMs, timeZone: channel.timeZone, streamMs },
      scene: studio.scene,
      balance: balances.get(viewerId) ?? 0,
    }
    const refuse = (reason: string, said: string | null = null): Answered => ({ row, is: 'refused', reason, said })
    const planned = trigger.isArmed ? plan(trigger, row) : null
    if (planned && !planned.ok) return refuse(planned.error)
    if (trigger.isArmed && trigger.studioAway === 'refuse' && needsStudio(trigger) && !studio.isLinked)
      return refuse('It needs the studio, and that is away.')
    const { answer, state, viewer } = askGate(gate, ask, this.states.get(trigger.id) ?? unusedGate(gate.stock), kept)
    this.states.set(trigger.id, state)
    if (answer.is === 'refused') {
      // A vote is kept though it is not let through yet.
      if (answer.reason === 'votes' || answer.reason === 'cost') keep({ states: [{ triggerId: trigger.id, state }] })
      return refuse(refusalWords(answer, gate, nowMs, gateWords(channel)), this.saidOf(trigger, row, answer, channel))
    }
    const { reserved } = answer
    if (viewerId !== '') {
      this.uses.set(key, viewer)
      balances.set(viewerId, (balances.get(viewerId) ?? 0) - reserved.cost)
    }
    keep({
      states: [{ triggerId: trigger.id, state }],
      uses: viewerId === '' ? [] : [{ triggerId: trigger.id, viewerId, uses: viewer }],
      entries: entryOf(reserved, row.viewerName, -reserved.cost, trigger.name, `run:${row.id}`, clock),
      runs: [{ id: row.id, progress: 'waiting', reserved }],
    })
    // What is not planned is not armed, and was refused.
    return planned?.ok ? { row: { ...row, reserved }, is: 'allowed', trigger, plan: planned.value } : refuse('')
  }

  private saidOf(trigger: Trigger, row: RunRow, refused: Refused, channel: ChannelOnAir): string | null {
    if (row.by !== 'command' && row.by !== 'reward') return null
    const nowMs = this.deps.clock.wallMs()
    return refusalSaid(trigger.refusal, row.viewerName, refused, trigger.gate, nowMs, gateWords(channel))
  }
}

/** As a use stands that is the viewer's last: nothing newer is known. */
const usesAt = ({ atMs, streamMs }: Reservation): ViewerUses => ({ lastMs: atMs, uses: 1, streamMs })

function entryOf(
  { viewerId }: Reservation,
  name: string,
  change: number,
  why: string,
  reference: string,
  clock: Clock,
): CallRecords['entries'] {
  if (change === 0 || viewerId === '') return []
  return [{ viewerId, name, change, why, reference, at: new Date(clock.wallMs()) }]
}

function viewerOf(
  { viewerId, viewerName, event }: RunRow,
  standing: Standing | undefined,
  isFirstTime: boolean,
): GateAsk['viewer'] {
  const { tier = null, months = null } = standing ?? {}
  return { id: viewerId ?? '', name: viewerName, roles: event.data.viewer?.roles ?? [], tier, months, isFirstTime }
}
