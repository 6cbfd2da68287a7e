import { stepsOf } from '../sheet/schema.ts'
import type { PlannedStep } from '../sheet/planRunSheet.ts'
import type { Trigger } from '../triggers/schema.ts'
import { nextStudioMs, noStudio, stepStudio, type StudioInput, type StudioState, type Thing } from '../studio/studio.ts'

/** The scenes and sources that a studio has when a night begins. */
export interface StudioAtFirst {
  scenes: readonly string[]
  programme: string | null
  sources: readonly { name: string; isShown: boolean; scenes: readonly string[] }[]
}

/** What the studio shows from a moment on. */
export interface StudioMoment {
  atMs: number
  programme: string | null
  /** Sources that are shown, by name. */
  shown: readonly string[]
  /** What was written into a source, by its name. */
  texts: Readonly<Record<string, string>>
}

const thingOf = (name: string): Thing => `source:${name}`

/**
 * A studio that does at once what it is asked, and in which nobody switches by hand: what is held of it is held by the same steps
 * as of a real one.
 */
export class RehearsedStudio {
  /** What it showed, from when on. */
  readonly track: StudioMoment[] = []
  private state: StudioState
  private texts: Readonly<Record<string, string>> = {}

  constructor(
    private readonly first: StudioAtFirst,
    fromMs: number,
  ) {
    const shows = Object.fromEntries([
      ...(first.programme === null ? [] : [['programme', first.programme] as const]),
      ...first.sources.map(({ name, isShown }) => [thingOf(name), isShown ? 'shown' : 'hidden'] as const),
    ])
    this.state = stepStudio(noStudio, { type: 'linked', shows }, fromMs).state
    this.note(fromMs)
  }

  get scene(): string | null {
    return this.state.shows.programme ?? null
  }

  /** When a hold ends next. */
  get dueMs(): number {
    return nextStudioMs(this.state) ?? Infinity
  }

  /** Carries out a step of a run. @returns why it cannot be; empty where it is */
  do(id: string, { step, atMs, untilMs }: PlannedStep, nowMs: number): string {
    if (step.do === 'scene') {
      if (!this.first.scenes.includes(step.scene)) return `the studio has no scene “${step.scene}”`
      return this.show(id, 'programme', step.scene, step.forMs === null ? null : untilMs - atMs, nowMs)
    }
    if (step.do !== 'source') return ''
    const thing = thingOf(step.source)
    const now = this.state.shows[thing]
    if (now === undefined) return `the studio has no source “${step.source}”`
    const other = now === 'shown' ? 'hidden' : 'shown'
    const value = step.shows === 'other' ? other : step.shows
    return this.show(id, thing, value, step.forMs === null ? null : untilMs - atMs, nowMs)
  }

  /** @returns why it cannot be written; empty where it is */
  write(source: string, text: string, nowMs: number): string {
    if (this.state.shows[thingOf(source)] === undefined) return `there is no source “${source}”`
    this.texts = { ...this.texts, [source]: text }
    this.note(nowMs)
    return ''
  }

  /** What these runs hold is given back. */
  stop(runId: string, nowMs: number): void {
    const ids = Object.values(this.state.holds).flatMap(({ holds }) =>
      holds.flatMap(({ id }) => (id.startsWith(`${runId} `) ? [id] : [])),
    )
    if (ids.length > 0) this.input({ type: 'stopped', ids }, nowMs)
  }

  /** Ends holds whose time has come. */
  pass(nowMs: number): void {
    this.input({ type: 'ticked' }, nowMs)
  }

  private show(id: string, thing: Thing, value: string, forMs: number | null, nowMs: number): string {
    return this.input(
      forMs === null ? { type: 'set', thing, value } : { type: 'held', id, thing, value, untilMs: nowMs + forMs },
      nowMs,
    )
  }

  private input(first: StudioInput, nowMs: number): string {
    const inputs = [first]
    let fault = ''
    for (let next = inputs.shift(); next; next = inputs.shift()) {
      const { state, commands } = stepStudio(this.state, next, nowMs)
      this.state = state
      for (const { type, thing, value, ...rest } of commands) {
        // What it is asked for it says at once that it shows.
        if (type === 'show') inputs.push({ type: 'changed', thing, value })
        else if ('reason' in rest) fault = rest.reason
      }
    }
    this.note(nowMs)
    return fault
  }

  private note(atMs: number): void {
    const shown = this.first.sources.flatMap(({ name }) => (this.state.shows[thingOf(name)] === 'shown' ? [name] : []))
    const last = this.track.at(-1)
    const moment: StudioMoment = { atMs, programme: this.scene, shown, texts: this.texts }
    const isSame =
      last?.programme === moment.programme && last.texts === moment.texts && last.shown.join('\n') === shown.join('\n')
    if (isSame) return
    if (last?.atMs === atMs) this.track.pop()
    this.track.push(moment)
  }
}

/** A studio that has whatever the triggers of a channel name, where none is linked that could say what it has. */
export function studioNamedBy(triggers: readonly Pick<Trigger, 'sheet' | 'gate'>[]): StudioAtFirst {
  const steps = triggers.flatMap(({ sheet }) => stepsOf(sheet))
  const asked = triggers.flatMap(({ gate }) => gate.scenes ?? [])
  const scenes = [...new Set([...asked, ...steps.flatMap((step) => (step.do === 'scene' ? [step.scene] : []))])]
  const sources = new Set(steps.flatMap((step) => (step.do === 'source' || step.do === 'text' ? [step.source] : [])))
  return {
    scenes,
    programme: scenes[0] ?? null,
    sources: [...sources].map((name) => ({ name, isShown: false, scenes })),
  }
}
