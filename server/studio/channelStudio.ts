import type { PlannedStep } from '../../core/sheet/planRunSheet.ts'
import {
  nextStudioMs,
  noStudio,
  stepStudio,
  type StudioInput,
  type StudioState,
  type Thing,
} from '../../core/studio/studio.ts'
import {
  simulatedStudioName,
  type StudioOrder,
  type StudioSaid,
  type StudioScenes,
  type ToStudio,
} from '../../contract/studioLink.ts'
import type { StudioView } from '../../contract/triggers.ts'
import { timerMs, type Clock } from '../system/clock.ts'

interface ChannelStudioDependencies {
  clock: Clock
  send: (message: ToStudio) => void
  /** What is held has changed, and is to be kept. */
  onKept: (state: StudioState) => void
  onChange: () => void
  /** It has begun to broadcast, or has ended. */
  onLive: (isLive: boolean) => void
  /** Something could not be asked for, or was not done. */
  onFault: (words: string) => void
}

const answersWithinMs = 4_000
const thingOfSource = (name: string): Thing => `source:${name}`

/** The studio of a channel as the owner of its lane knows it: what it shows, what is held of it, and what it is asked to do. */
export class ChannelStudio {
  private state: StudioState
  private shows: StudioScenes = { programme: null, scenes: [], sources: [] }
  private name = ''
  private isLive = false
  /** The link that is the newest: an older one that goes says nothing about it. */
  private linkId: string | null = null
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly asked = new Map<number, (fault: string | null) => void>()
  private count = 0

  /** @param kept what was held when the lane was left */
  constructor(
    kept: StudioState | null,
    private readonly deps: ChannelStudioDependencies,
  ) {
    this.state = kept ? { ...kept, isLinked: false } : noStudio
    this.plan()
  }

  get isLinked(): boolean {
    return this.state.isLinked
  }

  /** It is the one that ships. */
  get isSimulated(): boolean {
    return this.isLinked && this.name === simulatedStudioName
  }

  /** The scene that it shows; null where none is linked. */
  get scene(): string | null {
    return this.state.isLinked ? (this.shows.programme ?? null) : null
  }

  view(): StudioView {
    const { isLinked, holds } = this.state
    return {
      isLinked,
      name: this.name,
      scenes: [...this.shows.scenes],
      programme: this.shows.programme,
      sources: this.shows.sources.map(({ name, isShown, key, widthPx, heightPx, scenes }) => ({
        ...{ name, isShown, scenes, key: key ?? null, widthPx: widthPx ?? null, heightPx: heightPx ?? null },
      })),
      held: Object.entries(holds).flatMap(([thing, { holds: of }]) =>
        of.map(({ value, untilMs }) => ({ thing, value, untilMs: this.deps.clock.wallOf(untilMs) })),
      ),
    }
  }

  /** What the studio said over one of its links. */
  hear(linkId: string, said: StudioSaid): void {
    if (said.type === 'answered') return this.asked.get(said.number)?.(said.fault)
    if (said.type === 'linked') {
      this.linkId = linkId
      this.name = said.name
      this.shows = said.shows
      this.input({ type: 'linked', shows: thingsOf(said.shows) })
    } else if (linkId !== this.linkId) return
    else if (said.type === 'gone') {
      this.linkId = null
      for (const answer of this.asked.values()) answer('the studio went away')
      this.input({ type: 'gone' })
    } else {
      const before = thingsOf(this.shows)
      const now = thingsOf(said.shows)
      this.shows = said.shows
      for (const [thing, value] of Object.entries(now))
        if (before[thing] !== value || this.state.asked[thing]?.length)
          this.input({ type: 'changed', thing: thing as Thing, value })
      for (const thing of Object.keys(before))
        if (now[thing] === undefined) this.input({ type: 'changed', thing: thing as Thing, value: null })
    }
    this.lookWhetherLive()
    this.deps.onChange()
  }

  /** A studio that goes away says nothing about the broadcast: its program may run on without the link. */
  private lookWhetherLive(): void {
    const { isLive } = this.shows
    if (isLive === undefined || isLive === this.isLive) return
    this.isLive = isLive
    this.deps.onLive(isLive)
  }

  /**
   * Carries out a step of a run.
   * @param id names its hold
   * @returns why it cannot be done; empty where it is
   */
  async do(id: string, { step, untilMs, atMs }: PlannedStep): Promise<string> {
    const held = (thing: Thing, value: string, forMs: number | null): string => {
      const faults: string[] = []
      if (forMs === null) this.input({ type: 'set', thing, value }, faults)
      else
        this.input({ type: 'held', id, thing, value, untilMs: this.deps.clock.steadyMs() + (untilMs - atMs) }, faults)
      return faults[0] ?? ''
    }
    switch (step.do) {
      case 'scene':
        if (this.isLinked && !this.shows.scenes.includes(step.scene)) return `the studio has no scene “${step.scene}”`
        return held('programme', step.scene, step.forMs)
      case 'source': {
        const source = this.shows.sources.find(({ name }) => name === step.source)
        if (!source) return this.isLinked ? `the studio has no source “${step.source}”` : 'the studio is away'
        const thing = thingOfSource(step.source)
        const other = source.isShown ? 'hidden' : 'shown'
        return held(thing, step.shows === 'other' ? other : step.shows, step.forMs)
      }
      default:
        return ''
    }
  }

  /** What these runs hold is given back. */
  stop(runIds: readonly string[]): void {
    const ids = Object.values(this.state.holds).flatMap(({ holds }) =>
      holds.flatMap(({ id }) => (runIds.some((run) => id.startsWith(`${run} `)) ? [id] : [])),
    )
    if (ids.length > 0) this.input({ type: 'stopped', ids })
  }

  /** Has the studio do something. @returns why it did not; null where it did */
  async order(order: StudioOrder): Promise<string | null> {
    if (!this.isLinked) return 'no studio is linked'
    const number = this.count++
    let timer: ReturnType<typeof setTimeout> | undefined
    try {
      return await new Promise<string | null>((resolve) => {
        timer = setTimeout(resolve, answersWithinMs, 'the studio did not answer')
        this.asked.set(number, resolve)
        this.deps.send({ type: 'order', number, order })
      })
    } finally {
      clearTimeout(timer)
      this.asked.delete(number)
    }
  }

  close(): void {
    clearTimeout(this.timer)
  }

  private input(input: StudioInput, faults: string[] = []): void {
    const { state, commands } = stepStudio(this.state, input, this.deps.clock.steadyMs())
    const isKept = state.holds !== this.state.holds || state.wanted !== this.state.wanted
    this.state = state
    for (const command of commands) {
      if (command.type === 'unsent') {
        faults.push(command.reason)
        continue
      }
      const { thing, value } = command
      const order: StudioOrder =
        thing === 'programme'
          ? { method: 'scene.set', params: { scene: value } }
          : { method: 'source.show', params: { source: thing.slice('source:'.length), isShown: value === 'shown' } }
      void this.order(order).then((fault) => {
        if (fault !== null) this.deps.onFault(fault)
      })
    }
    if (isKept) this.deps.onKept(state)
    this.plan()
  }

  private plan(): void {
    clearTimeout(this.timer)
    const nextMs = nextStudioMs(this.state)
    if (nextMs === null) return
    this.timer = setTimeout(
      () => {
        this.input({ type: 'ticked' })
        this.deps.onChange()
      },
      timerMs(nextMs, this.deps.clock.steadyMs()),
    )
  }
}

/** What each thing of a studio shows. */
function thingsOf({ programme, sources }: StudioScenes): Record<string, string> {
  return {
    ...(programme === null ? {} : { programme }),
    ...Object.fromEntries(sources.map(({ name, isShown }) => [thingOfSource(name), isShown ? 'shown' : 'hidden'])),
  }
}
