import { calledPlay, heardAlone, soundAlone } from '../../core/response/calledPlay.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import type { PlannedStep } from '../../core/sheet/planRunSheet.ts'
import type { StepOf } from '../../core/sheet/schema.ts'
import { stepWords } from '../../core/sheet/stepWords.ts'
import type { Called } from '../../core/triggers/calledEvent.ts'
import type { PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import type { PointsChange } from '../../contract/triggers.ts'
import type { Database } from '../db/handle.ts'
import { insertAgain, type PlayRow } from '../db/queries/plays.ts'
import type { CallRecords, RunRow } from '../db/queries/runs.ts'
import { untouchedPlay } from '../ingest/decideEvents.ts'
import type { ChannelStudio } from '../studio/channelStudio.ts'
import type { Clock } from '../system/clock.ts'
import { Turns } from '../../core/turns.ts'
import { isDry } from './dryRun.ts'
import type { StepDoer } from './sheetRunner.ts'
import type { PostWebhook } from './webhook.ts'

export interface StepDoerDependencies {
  db: Database
  clock: Clock
  channel: () => ChannelOnAir
  studio: ChannelStudio
  /** Puts a kept play into its line. */
  add: (boxId: string, ticket: Ticket, speaks: boolean) => void
  /** A play that may be in its line already, or over. */
  takeUp: (playId: string) => Promise<void>
  skip: (boxId: string, playId: string, reason: string) => void
  /** How a play is shown. */
  show: (playId: string) => Promise<PlayToShow>
  /** To all sources of a box, wherever they are connected. @returns how many there are */
  toSources: (boxId: string, message: ToSource) => number
  say: (text: string) => Promise<string>
  post: PostWebhook
  keep: (records: Partial<CallRecords>) => void
  counters: Map<string, number>
  /** What a viewer has of the channel's points. */
  balanceOf: (viewerId: string) => Promise<number>
  /** Enters a change of points. @returns false where the viewer would have less than nothing */
  enter: (entry: PointsChange) => Promise<boolean>
  /** Told which run a play belongs to. */
  belongs: (playId: string, runId: string, index: number) => void
}

/** Chat takes no more in one line. */
const chatMax = 400

/** The play of a step of a run: the same each time, so that what is done twice is there once. */
export const playIdOf = (runId: string, index: number): string => `play-${runId.replace(/^run-/, '')}-${index}`

/** A trigger as the scores of one run know it. */
export const calledBy = ({ triggerId, triggerName, input, reserved }: RunRow): Called => ({
  triggerId,
  name: triggerName,
  cost: reserved?.cost ?? 0,
  input,
})

/** Carries out the steps of run sheets. */
export class Steps implements StepDoer {
  private readonly turns = new Turns()

  constructor(private readonly deps: StepDoerDependencies) {}

  /** In the order in which they were asked for. */
  enqueue(row: RunRow, { index, step }: PlannedStep): Promise<void> {
    return this.turns.take(async () => {
      if (step.do === 'play') await this.enqueueOne(row, step, index)
    })
  }

  /** Resolves when what was put into lines so far is in them. */
  settled(): Promise<void> {
    return this.turns.settled()
  }

  private async enqueueOne(row: RunRow, step: StepOf<'play'>, index: number): Promise<void> {
    const { db, add, belongs } = this.deps
    const { play, speaks, isAwaiting } = this.playOf(row, step, index)
    belongs(play.id, row.id, index)
    const isNew = await insertAgain(db, play, { channelId: row.channelId, decided: this.decidedOf(row), why: null })
    const { boxId, id: playId, enqueuedAt, lengthMs, facts } = play
    if (isNew) add(boxId, { playId, enqueuedAtMs: enqueuedAt.getTime(), lengthMs, isAwaiting, facts }, speaks)
    // It was there before: its line takes it up, unless it is over.
    else await this.deps.takeUp(play.id)
  }

  async do(row: RunRow, planned: PlannedStep): Promise<string> {
    const { step, index } = planned
    // Only the studio takes part: nothing is said, heard or counted.
    if (isDry(row.id) && step.do !== 'scene' && step.do !== 'source' && step.do !== 'text') return ''
    switch (step.do) {
      case 'play':
        if (step.isBeside) return this.playBeside(row, step, index)
        await this.enqueue(row, planned)
        return ''
      case 'sound':
        return this.sound(row, step, index)
      case 'say':
        return this.deps.say((await this.fill(step.words, row)).slice(0, chatMax))
      case 'scene':
      case 'source':
        return this.deps.studio.do(`${row.id} ${index}`, planned)
      case 'text': {
        const text = await this.fill(step.words, row)
        const fault = await this.deps.studio.order({ method: 'text.set', params: { source: step.source, text } })
        return fault ?? ''
      }
      case 'counter':
        return this.count(step)
      case 'points':
        return this.give(row, step, index)
      case 'webhook':
        return this.deps.post(step.url, `${row.id}-${index}`, {
          type: 'thundercrest.run.v1',
          trigger: { id: row.triggerId, name: row.triggerName },
          viewer: row.event.data.viewer,
          input: row.input,
          event: row.event,
        })
    }
  }

  withdraw(row: RunRow, { index, step }: PlannedStep, reason: string): void {
    if (step.do !== 'play' || isDry(row.id)) return
    const playId = playIdOf(row.id, index)
    if (step.isBeside) this.deps.toSources(step.boxId, { type: 'stop', playId })
    else this.deps.skip(step.boxId, playId, reason)
  }

  /** @throws where there is nothing to play */
  private playOf(row: RunRow, step: StepOf<'play'>, index: number) {
    const nowMs = this.deps.clock.wallMs()
    const plan = calledPlay(step, row.event, calledBy(row), this.deps.channel(), nowMs)
    if (!plan.ok) throw new Error(plan.error)
    const { boxId, versionId, alertId, variation, lengthMs, speaks, isAwaiting, called, facts } = plan.value
    const play: PlayRow = {
      ...{ boxId, versionId, alertId, lengthMs, eventId: row.eventId, isTest: false },
      ...untouchedPlay(nowMs),
      id: playIdOf(row.id, index),
      variationId: variation.id,
      variationName: variation.name,
      approval: isAwaiting ? 'awaiting' : 'none',
      called,
      facts,
    }
    return { play, speaks, isAwaiting }
  }

  private decidedOf = ({ triggerName }: RunRow) => `The run sheet of “${triggerName}” plays it.`

  private async playBeside(row: RunRow, step: StepOf<'play'>, index: number): Promise<string> {
    const { db, show, toSources, clock } = this.deps
    const { play } = this.playOf(row, step, index)
    const at = new Date(clock.wallMs())
    const sources = toSources(step.boxId, { type: 'ping', sentAtMs: clock.steadyMs() })
    const ended = {
      outcome: sources > 0 ? ('played' as const) : ('expired' as const),
      reason: sources > 0 ? 'sounded beside what played' : 'no source was there',
      outcomeAt: at,
    }
    await insertAgain(
      db,
      { ...play, state: 'over', startedAt: at, shownCount: sources },
      { channelId: row.channelId, decided: this.decidedOf(row), why: null },
      ended,
    )
    if (sources === 0) return 'no source was there'
    const shown = await show(play.id)
    toSources(step.boxId, { type: 'beside', play: { ...shown, score: heardAlone(shown.score) } })
    return ''
  }

  private sound(row: RunRow, step: StepOf<'sound'>, index: number): string {
    const score = soundAlone(step, row.event, this.deps.channel(), this.deps.clock.wallMs())
    if (!score) return 'its sound is gone'
    const playId = playIdOf(row.id, index)
    const play: PlayToShow = { playId, eventId: row.eventId, variationName: row.triggerName, score }
    return this.deps.toSources(step.boxId, { type: 'beside', play }) > 0 ? '' : 'no source was there'
  }

  private count({ counter, change }: StepOf<'counter'>): string {
    const { counters, keep } = this.deps
    const value = (counters.get(counter) ?? 0) + change
    counters.set(counter, value)
    keep({ counters: [{ name: counter, value }] })
    return ''
  }

  private async give(row: RunRow, { change, why }: StepOf<'points'>, index: number): Promise<string> {
    const { viewerId, viewerName } = row
    const { balanceOf, enter } = this.deps
    if (viewerId === null) return 'nobody is there to be given points'
    // Nobody has less than nothing.
    const given = change < 0 ? -Math.min(-change, await balanceOf(viewerId)) : change
    if (given === 0) return change === 0 ? '' : 'there were no points to take'
    const entry = { viewerId, name: viewerName, change: given, why, reference: `step:${row.id}:${index}` }
    return (await enter(entry)) ? '' : 'there were no points to take'
  }

  private async fill(words: string, row: RunRow): Promise<string> {
    const { counters, balanceOf, channel } = this.deps
    const points = row.viewerId !== null && words.includes('{points') ? await balanceOf(row.viewerId) : 0
    const { event } = row
    return stepWords(words, { event, called: calledBy(row), counters, points, locale: channel().locale })
  }
}
