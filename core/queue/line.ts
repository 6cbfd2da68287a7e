import { byText } from '../byText.ts'
import { seedOf } from '../random.ts'
import { OrderedSet } from './orderedSet.ts'
import type { Ticket } from './ticket.ts'

/** Why a play is aside, so that others pass it. */
export type Aside =
  /** Somebody has to let it be shown, or be read. */
  | { for: 'showing' | 'reading'; untilMs: number }
  /** Gifts that it may belong to have not been announced yet. */
  | { for: 'gifts'; untilMs: number }

/** Where a play stands in the line. */
export interface Place {
  /** −2, after all others, to +2, before them. */
  priority: number
  /** Smaller is earlier, whatever the priority. */
  rankMs: number
  /** By the age clock, as the next. */
  bornMs: number
  /** Then it is let go. Infinity: never. */
  deadlineMs: number
  aside: Aside | null
  /** It is heard beside what is shown, and does not wait for the screen. */
  isBeside: boolean
  /** Others with the same key may join it; null: none may. */
  mergeKey: string | null
}

/** A play that waits. `seq`: as it came, among all of the line. */
export interface Waiting extends Place {
  ticket: Ticket
  seq: number
}

type BySeq = Pick<Waiting, 'seq'>
const byRank = (a: BySeq & Pick<Place, 'rankMs'>, b: BySeq & Pick<Place, 'rankMs'>) =>
  a.rankMs - b.rankMs || a.seq - b.seq
const byTime = (a: BySeq & { atMs: number }, b: BySeq & { atMs: number }) => a.atMs - b.atMs || a.seq - b.seq

/** Ids are alike for most of their length: they are told apart by a hash, and by themselves where that is the same. */
interface Id {
  hash: number
  playId: string
}
/** A moment at which a play has to be looked at. */
interface Due extends BySeq {
  atMs: number
  playId: string
}
interface Head {
  key: string
  playId: string
}
interface Orphan {
  giftsId: string
  seq: number
  playId: string
}

type Ranked = OrderedSet<BySeq & Pick<Place, 'rankMs'>, Waiting>

/** Everything that the line is looked up by. All of it is about the same plays. */
interface Sets {
  byId: OrderedSet<Id, Id & { waiting: Waiting }>
  /** Those that can go, by priority; within one they stand as they came. */
  ready: readonly [Ranked, Ranked, Ranked, Ranked, Ranked]
  beside: Ranked
  asides: OrderedSet<Pick<Due, 'atMs' | 'seq'>, Due>
  deadlines: OrderedSet<Pick<Due, 'atMs' | 'seq'>, Due>
  heads: OrderedSet<Pick<Head, 'key'>, Head>
  orphans: OrderedSet<Pick<Orphan, 'giftsId' | 'seq'>, Orphan>
}

const ranked = (): Ranked =>
  OrderedSet.empty<BySeq & Pick<Place, 'rankMs'>, Waiting>({
    compare: byRank,
    weigh: ({ ticket }) => ticket.lengthMs,
  })

/** Lower than that of any play that came: the head of the line. */
const headRankMs = -1e15

/** Somebody put it before all others, or it had its turn already. */
const isAtHead = ({ rankMs }: Pick<Place, 'rankMs'>): boolean => rankMs === headRankMs

/**
 * The plays that wait. Never changed: each change gives another line. Whatever is asked of it costs O(log n), however many
 * wait; going through all of them, O(n).
 */
export class Line {
  private constructor(
    private readonly sets: Sets,
    private readonly lastSeq: number,
    private readonly firstSeq: number,
  ) {}

  static readonly empty = new Line(
    {
      byId: OrderedSet.empty<Id, Id & { waiting: Waiting }>({
        compare: (a, b) => a.hash - b.hash || byText(a.playId, b.playId),
      }),
      ready: [ranked(), ranked(), ranked(), ranked(), ranked()],
      beside: ranked(),
      asides: OrderedSet.empty<Pick<Due, 'atMs' | 'seq'>, Due>({ compare: byTime }),
      deadlines: OrderedSet.empty<Pick<Due, 'atMs' | 'seq'>, Due>({ compare: byTime }),
      heads: OrderedSet.empty<Pick<Head, 'key'>, Head>({ compare: (a, b) => byText(a.key, b.key) }),
      orphans: OrderedSet.empty<Pick<Orphan, 'giftsId' | 'seq'>, Orphan>({
        compare: (a, b) => byText(a.giftsId, b.giftsId) || a.seq - b.seq,
      }),
    },
    0,
    0,
  )

  get size(): number {
    return this.sets.byId.size
  }

  /** How many wait for the screen and could have it. */
  get readyCount(): number {
    return this.sets.ready.reduce((sum, { size }) => sum + size, 0)
  }

  /** How long those last, one after another. */
  get readyMs(): number {
    return this.sets.ready.reduce((all, { sum }) => all + sum, 0)
  }

  find(playId: string): Waiting | null {
    return this.sets.byId.find({ hash: hashOf(playId), playId })?.waiting ?? null
  }

  /** Whose turn it is. */
  get next(): Waiting | null {
    let next: Waiting | null = null
    for (const { first } of this.sets.ready) if (first && (!next || byRank(first, next) < 0)) next = first
    return next
  }

  /** What is heard next beside what is shown. */
  get nextBeside(): Waiting | null {
    return this.sets.beside.first
  }

  /** Who gives way where the line is full: of the lowest priority the one that came first. */
  get least(): Waiting | null {
    for (const { first } of this.sets.ready) if (first) return first
    return this.sets.beside.first ?? this.nextAside
  }

  /** Who is aside and has to be looked at first. */
  get nextAside(): Waiting | null {
    return this.due(this.sets.asides.first)
  }

  /** Who is let go first. Whoever is aside has a time of its own. */
  get nextDeadline(): Waiting | null {
    return this.due(this.sets.deadlines.first)
  }

  private due(due: Due | null): Waiting | null {
    return due && this.find(due.playId)
  }

  /** The play that others with this key may join. */
  headOf(key: string): Waiting | null {
    const head = this.sets.heads.find({ key })
    return head && this.find(head.playId)
  }

  /** Those that wait for these gifts to be announced. */
  orphansOf(giftsId: string): Waiting[] {
    const found: Waiting[] = []
    for (const orphan of this.sets.orphans.from({ giftsId, seq: -Infinity })) {
      if (orphan.giftsId !== giftsId) break
      const waiting = this.find(orphan.playId)
      if (waiting) found.push(waiting)
    }
    return found
  }

  /** With a play more, behind all that came before it and have its rank. */
  with(ticket: Ticket, place: Place): Line {
    return this.put(waitingAt(ticket, place, this.lastSeq + 1), this.lastSeq + 1, this.firstSeq)
  }

  /** With a play at the very head, before others that were put there. */
  withFirst(ticket: Ticket): Line {
    return this.put(waitingAt(ticket, headPlace, this.firstSeq - 1), this.lastSeq, this.firstSeq - 1)
  }

  /** With a play changed, where it stands. */
  changed(waiting: Waiting, ticket: Ticket): Line {
    return this.put(waitingAt(ticket, waiting, waiting.seq), this.lastSeq, this.firstSeq, false)
  }

  /** Moves a play to where another place has it; it stays as early as it was. */
  moved({ ticket, seq }: Waiting, place: Place): Line {
    return this.without(ticket.playId).put(waitingAt(ticket, place, seq), this.lastSeq, this.firstSeq)
  }

  without(playId: string): Line {
    const waiting = this.find(playId)
    if (!waiting) return this
    const { sets } = this
    const { mergeKey, aside, ticket } = waiting
    const isHead = mergeKey !== null && sets.heads.find({ key: mergeKey })?.playId === playId
    const giftsId = aside?.for === 'gifts' ? (ticket.facts?.gifts?.id ?? null) : null
    return new Line(
      {
        byId: sets.byId.without({ hash: hashOf(playId), playId }),
        ready: inReady(waiting) ? readyWith(sets.ready, waiting, (set) => set.without(waiting)) : sets.ready,
        beside: !aside && waiting.isBeside ? sets.beside.without(waiting) : sets.beside,
        asides: aside ? sets.asides.without({ seq: waiting.seq, atMs: aside.untilMs }) : sets.asides,
        deadlines: hasDeadline(waiting)
          ? sets.deadlines.without({ seq: waiting.seq, atMs: waiting.deadlineMs })
          : sets.deadlines,
        heads: isHead ? sets.heads.without({ key: mergeKey }) : sets.heads,
        orphans: giftsId === null ? sets.orphans : sets.orphans.without({ giftsId, seq: waiting.seq }),
      },
      this.lastSeq,
      this.firstSeq,
    )
  }

  /** All that wait, in their order: those aside stand where they would be. */
  *inOrder(): Generator<Waiting> {
    const { ready, beside, asides } = this.sets
    const aside = [...asides].flatMap((each) => this.due(each) ?? []).sort(byRank)
    const lines = [...ready, beside, aside].map((each) => each[Symbol.iterator]())
    const heads = lines.map((each) => each.next())
    for (;;) {
      let best = -1
      for (const [at, head] of heads.entries()) {
        const other = heads[best]
        if (!head.done && (!other || other.done || byRank(head.value, other.value) < 0)) best = at
      }
      const head = heads[best]
      const line = lines[best]
      if (!head || head.done || !line) return
      yield head.value
      heads[best] = line.next()
    }
  }

  /** @param isNew it stands where it did not stand before; else only what it is has changed */
  private put(waiting: Waiting, lastSeq: number, firstSeq: number, isNew = true): Line {
    const { sets } = this
    const { mergeKey, aside, ticket, seq } = waiting
    const { playId } = ticket
    const giftsId = aside?.for === 'gifts' ? (ticket.facts?.gifts?.id ?? null) : null
    return new Line(
      {
        byId: sets.byId.with({ hash: hashOf(playId), playId, waiting }),
        ready: inReady(waiting) ? readyWith(sets.ready, waiting, (set) => set.with(waiting)) : sets.ready,
        beside: !aside && waiting.isBeside ? sets.beside.with(waiting) : sets.beside,
        asides: aside && isNew ? sets.asides.with({ seq, atMs: aside.untilMs, playId }) : sets.asides,
        deadlines:
          isNew && hasDeadline(waiting)
            ? sets.deadlines.with({ seq, atMs: waiting.deadlineMs, playId })
            : sets.deadlines,
        heads: isNew && mergeKey !== null && !aside ? sets.heads.with({ key: mergeKey, playId }) : sets.heads,
        orphans: giftsId === null || !isNew ? sets.orphans : sets.orphans.with({ giftsId, seq, playId }),
      },
      lastSeq,
      firstSeq,
    )
  }
}

export const emptyLine = Line.empty

/** A line with all of another, each where it is placed; those at the head of that one come to the head of this. */
export function withAllOf(before: Line, other: Line, placeOf: (waiting: Waiting) => Place): Line {
  let line = before
  const heads: Ticket[] = []
  for (const waiting of other.inOrder()) {
    if (isAtHead(waiting)) heads.push(waiting.ticket)
    else line = line.with(waiting.ticket, placeOf(waiting))
  }
  for (const ticket of heads.reverse()) line = line.withFirst(ticket)
  return line
}

/** At the head nothing lets a play go: it has been there before, or somebody put it there. */
const headPlace: Place = {
  priority: 2,
  rankMs: headRankMs,
  bornMs: 0,
  deadlineMs: Infinity,
  aside: null,
  isBeside: false,
  mergeKey: null,
}

/** As a small integer, which costs nothing to keep and to compare. */
const hashOf = (playId: string): number => seedOf(playId) | 0

/** Always made of the same fields in the same order, which is what makes looking at them fast. */
const waitingAt = (
  ticket: Ticket,
  { priority, rankMs, bornMs, deadlineMs, aside, isBeside, mergeKey }: Place,
  seq: number,
): Waiting => ({ ticket, seq, priority, rankMs, bornMs, deadlineMs, aside, isBeside, mergeKey })

const inReady = ({ aside, isBeside }: Place) => !aside && !isBeside
const hasDeadline = ({ aside, deadlineMs }: Place) => !aside && deadlineMs !== Infinity

function readyWith(
  [a, b, c, d, e]: Sets['ready'],
  { priority }: Pick<Place, 'priority'>,
  change: (set: Ranked) => Ranked,
): Sets['ready'] {
  if (priority === 0) return [a, b, change(c), d, e]
  if (priority === 2) return [a, b, c, d, change(e)]
  if (priority === 1) return [a, b, c, change(d), e]
  return priority === -1 ? [a, change(b), c, d, e] : [change(a), b, c, d, e]
}
