import { askGate } from '../gate/askGate.ts'
import { gateOfCall } from '../gate/gateOfCall.ts'
import { gateWords, refusalSaid, refusalWords } from '../gate/refusalWords.ts'
import { release } from '../gate/release.ts'
import type { Standing } from '../gate/standing.ts'
import { unusedByViewer, unusedGate, type GateState, type Reservation, type ViewerUses } from '../gate/state.ts'
import type { QueueCommand } from '../queue/state.ts'
import type { Ticket } from '../queue/ticket.ts'
import { calledPlay, type CalledPlay } from '../response/calledPlay.ts'
import type { ChannelOnAir } from '../response/channelOnAir.ts'
import type { Result } from '../result.ts'
import type { PlannedStep, RunPlan } from '../sheet/planRunSheet.ts'
import { nextRunMs, noRuns, stepRuns, type RunsCommand, type RunsInput, type RunsState } from '../sheet/runs.ts'
import type { StepOf } from '../sheet/schema.ts'
import { stepWords } from '../sheet/stepWords.ts'
import { calledEvent, needsStudio, type Called } from '../triggers/calledEvent.ts'
import type { TriggerCall } from '../triggers/callsOf.ts'
import { planFor } from '../triggers/planFor.ts'
import type { Trigger } from '../triggers/schema.ts'
import type { CalledMoment } from './nightCalls.ts'
import type { RehearsedCall, Said, SheetPlay, SheetSound } from './rehearsedCall.ts'
import type { RehearsedStudio } from './rehearsedStudio.ts'

interface RehearsedCallsDependencies {
  /** With every box whose alerts sheets play. */
  channel: ChannelOnAir
  studio: RehearsedStudio
  /** When the broadcast began. */
  streamMs: number
  /** What every viewer has of the channel's points when the night begins. */
  startPoints: number
  /** Puts an alert into the line of its box. @returns false where that box is not rehearsed */
  enqueue: (boxId: string, ticket: Ticket, nowMs: number) => boolean
  /** An alert sounds beside its line. */
  beside: (boxId: string, playId: string, lengthMs: number, nowMs: number) => void
  plans?: PlanMemory
}

/** How sheets lie in time, by what they are asked for; the same under every policy. */
export type PlanMemory = Map<string, Result<RunPlan, string>>

interface Running {
  call: RehearsedCall
  trigger: Trigger
  moment: CalledMoment
  input: string
  reserved: Reservation
}

const sheetPlayPrefix = 'sheet-'
const playIdOf = (runId: string, index: number) => `${sheetPlayPrefix}${runId}-${index}`

/**
 * What viewers of a night set off, carried out in the night's own time: gates are asked, points and stock are taken and given
 * back, sheets run, alerts go into the lines of their boxes and the studio is held, by the same pure steps as on air. Chat,
 * webhooks and what somebody does by hand only count as done. Words that a channel blocks are not looked for.
 */
export class RehearsedCalls {
  readonly calls: RehearsedCall[] = []
  /** By their ids in the lines. */
  readonly plays = new Map<string, SheetPlay>()
  readonly sounds: SheetSound[] = []
  readonly said: Said[] = []
  private runs: RunsState = noRuns
  private readonly running = new Map<string, Running>()
  private readonly states = new Map<string, GateState>()
  private readonly uses = new Map<string, ViewerUses>()
  private readonly points = new Map<string, number>()
  private readonly standings = new Map<string, Standing>()
  private readonly counters = new Map<string, number>()
  private readonly waiting: [RunsInput, number][] = []
  private isStepping = false

  constructor(private readonly deps: RehearsedCallsDependencies) {}

  /** When a step is due, or a hold of the studio ends. */
  get dueMs(): number {
    return Math.min(nextRunMs(this.runs) ?? Infinity, this.deps.studio.dueMs)
  }

  pass(nowMs: number): void {
    this.deps.studio.pass(nowMs)
    this.input({ type: 'ticked' }, nowMs)
  }

  /** What the line of a box did: alerts that begin begin their runs, and those that never do end them. */
  hear(commands: readonly QueueCommand[], nowMs: number): void {
    for (const command of commands) {
      if (command.type !== 'recordStarted' && command.type !== 'recordEnded') continue
      const of = this.plays.get(command.playId)
      if (!of) continue
      const [, runId = '', index = ''] = /^sheet-(\d+)-(\d+)$/.exec(command.playId) ?? []
      const which = { runId, index: Number(index) }
      if (command.type === 'recordStarted') this.input({ type: 'playStarted', ...which }, nowMs)
      else this.input({ type: 'playEnded', ...which, reason: command.reason }, nowMs)
    }
  }

  /** A moment of the night has come. */
  take(moment: CalledMoment): void {
    const { viewerId, earned, standing, calls } = moment
    if (viewerId !== null) {
      if (standing) this.standings.set(viewerId, standing)
      if (earned !== 0) this.points.set(viewerId, this.balanceOf(viewerId) + earned)
    }
    for (const call of calls) this.ask(moment, call)
  }

  private balanceOf(viewerId: string): number {
    return this.points.get(viewerId) ?? this.deps.startPoints
  }

  private ask(moment: CalledMoment, { triggerId, by, input, isPaid }: TriggerCall): void {
    const { channel, studio, streamMs } = this.deps
    const { at, atMs, event, viewerId } = moment
    const trigger = channel.triggers.find(({ id }) => id === triggerId)
    if (!trigger) return
    const gate = gateOfCall(trigger.gate, { by, isPaid })
    const call: RehearsedCall = {
      ...{ triggerId, at, atMs, by, viewerName: event.data.viewer?.name ?? '', end: 'refused', reason: '' },
      ...{ refusal: null, cost: 0, beganMs: null, faults: [], left: null },
    }
    this.calls.push(call)
    const refuse = (reason: string) => void (call.reason = reason)
    const plan = this.planOf(trigger, moment, input)
    if (trigger.isArmed && !plan.ok) return refuse(plan.error)
    if (trigger.isArmed && trigger.studioAway === 'refuse' && needsStudio(trigger) && studio.scene === null)
      return refuse('It needs the studio, and that is away.')
    const key = `${triggerId} ${viewerId ?? ''}`
    const kept = this.uses.get(key) ?? unusedByViewer
    const { tier = null, months = null } = this.standings.get(viewerId ?? '') ?? {}
    const viewer = event.data.viewer
    const {
      answer,
      state,
      viewer: used,
    } = askGate(
      gate,
      {
        isArmed: trigger.isArmed,
        viewer: {
          ...{ id: viewerId ?? '', name: viewer?.name ?? '', roles: viewer?.roles ?? [], tier, months },
          isFirstTime: kept.lastMs === null,
        },
        ...{ input, isBlocked: false, nowMs: atMs, timeZone: channel.timeZone, streamMs, scene: studio.scene },
        balance: viewerId === null ? 0 : this.balanceOf(viewerId),
      },
      this.states.get(triggerId) ?? unusedGate(gate.stock),
      kept,
    )
    this.states.set(triggerId, state)
    call.left = state.left
    if (answer.is === 'refused') {
      call.refusal = answer.reason
      const words = gateWords(channel)
      if (by === 'command' || by === 'reward')
        this.say(refusalSaid(trigger.refusal, call.viewerName, answer, trigger.gate, atMs, words), atMs)
      return refuse(refusalWords(answer, gate, atMs, words))
    }
    if (!plan.ok) return
    if (viewerId !== null) {
      this.uses.set(key, used)
      this.points.set(viewerId, this.balanceOf(viewerId) - answer.reserved.cost)
    }
    call.end = 'open'
    call.cost = answer.reserved.cost
    const runId = String(this.calls.length - 1)
    this.running.set(runId, { call, trigger, moment, input, reserved: answer.reserved })
    this.input({ type: 'allowed', run: { id: runId, triggerId, again: trigger.again, plan: plan.value } }, atMs)
  }

  private planOf(trigger: Trigger, { at, atMs, event }: CalledMoment, input: string): Result<RunPlan, string> {
    const { plans, channel } = this.deps
    const key = `${trigger.id} ${at ?? atMs}`
    const known = plans?.get(key)
    if (known) return known
    const plan = planFor(trigger, { event, input }, channel, atMs)
    plans?.set(key, plan)
    return plan
  }

  /** One after another, also where a line answers while it is told. */
  private input(input: RunsInput, nowMs: number): void {
    this.waiting.push([input, nowMs])
    if (this.isStepping) return
    this.isStepping = true
    for (let next = this.waiting.shift(); next; next = this.waiting.shift()) {
      const { state, commands } = stepRuns(this.runs, ...next)
      this.runs = state
      for (const command of commands) this.execute(command, next[1])
    }
    this.isStepping = false
  }

  private execute(command: RunsCommand, nowMs: number): void {
    const running = this.running.get(command.runId)
    if (!running) return
    const { call } = running
    switch (command.type) {
      case 'enqueue':
        return this.play(running, command.runId, command.step, nowMs)
      case 'begun':
        call.beganMs = command.atMs
        return
      case 'do': {
        const fault = this.do(running, command.runId, command.step, nowMs)
        if (fault !== '') call.faults = [...call.faults, fault]
        return
      }
      case 'missed':
        call.faults = [...call.faults, 'its moment had passed']
        return
      case 'withdraw':
        // Nobody is there to stop a run.
        return
      case 'released':
        this.release(running, command.runId, command.reason, nowMs)
        return
      case 'ended':
        this.running.delete(command.runId)
        call.end = 'ran'
        if (running.trigger.studioAway === 'giveBack' && call.faults.some((fault) => fault.includes('studio')))
          this.giveBack(running)
    }
  }

  private release(running: Running, runId: string, reason: string, nowMs: number): void {
    const { call, trigger, reserved } = running
    this.running.delete(runId)
    const key = `${trigger.id} ${reserved.viewerId}`
    const kept = this.states.get(trigger.id) ?? unusedGate(null)
    const { state, viewer } = release(reserved, kept, this.uses.get(key) ?? unusedByViewer)
    this.states.set(trigger.id, state)
    this.uses.set(key, viewer)
    this.giveBack(running)
    this.deps.studio.stop(runId, nowMs)
    call.end = 'released'
    call.reason = reason
  }

  private giveBack({ call, moment: { viewerId } }: Running): void {
    if (viewerId !== null) this.points.set(viewerId, this.balanceOf(viewerId) + call.cost)
    call.cost = 0
  }

  private do(running: Running, runId: string, planned: PlannedStep, nowMs: number): string {
    const { step } = planned
    const { studio } = this.deps
    const { viewerId } = running.moment
    switch (step.do) {
      case 'play':
        this.play(running, runId, planned, nowMs)
        return ''
      case 'sound':
        this.sounds.push({ ...step, fromMs: nowMs, untilMs: nowMs + (planned.untilMs - planned.atMs) })
        return ''
      case 'say':
        this.say(this.fill(step.words, running), nowMs)
        return ''
      case 'scene':
      case 'source':
        return studio.do(`${runId} ${planned.index}`, planned, nowMs)
      case 'text':
        return studio.write(step.source, this.fill(step.words, running), nowMs)
      case 'counter':
        this.counters.set(step.counter, (this.counters.get(step.counter) ?? 0) + step.change)
        return ''
      case 'points':
        if (viewerId === null) return 'nobody is there to be given points'
        this.points.set(viewerId, Math.max(0, this.balanceOf(viewerId) + step.change))
        return ''
      case 'webhook':
        return ''
    }
  }

  private calledBy({ trigger: { id: triggerId, name }, input, call: { cost } }: Running): Called {
    return { triggerId, name, cost, input }
  }

  private play(running: Running, runId: string, { step, index }: PlannedStep, nowMs: number): void {
    if (step.do !== 'play') return
    const playId = playIdOf(runId, index)
    const which = { runId, index }
    const found = this.playOf(running, step, nowMs)
    if (!found.ok) return this.input({ type: 'playEnded', ...which, reason: found.error }, nowMs)
    const { value: play } = found
    const { event, at, atMs } = running.moment
    this.plays.set(playId, {
      ...{ call: Number(runId), boxId: step.boxId, at, atMs, play },
      event: play.called ? calledEvent(event, play.called) : event,
    })
    const { lengthMs, facts } = play
    if (step.isBeside) return this.deps.beside(step.boxId, playId, lengthMs, nowMs)
    if (this.deps.enqueue(step.boxId, { playId, enqueuedAtMs: nowMs, lengthMs, facts }, nowMs)) return
    // Of a box that is not rehearsed it begins at once.
    this.input({ type: 'playStarted', ...which }, nowMs)
  }

  private playOf(running: Running, step: StepOf<'play'>, nowMs: number): Result<CalledPlay, string> {
    return calledPlay(step, running.moment.event, this.calledBy(running), this.deps.channel, nowMs)
  }

  private fill(words: string, running: Running): string {
    const { event, viewerId } = running.moment
    return stepWords(words, {
      ...{ event, called: this.calledBy(running), counters: this.counters },
      points: viewerId === null ? 0 : this.balanceOf(viewerId),
      locale: this.deps.channel.locale,
    })
  }

  private say(words: string | null, atMs: number): void {
    if (words !== null && words !== '') this.said.push({ atMs, words })
  }
}
