import { byText } from '../byText.ts'
import { OrderedSet } from './orderedSet.ts'

/** Gifts that were announced together, and what became of what announced them. */
export interface Group {
  giftsId: string
  playId: string
  /** So many were told one by one. */
  brought: number
  seq: number
}

/** So many are remembered: whoever received a gift is told within seconds. */
const kept = 500

/** The gifts that were announced lately. Never changed: each change gives another. */
export class Groups {
  private constructor(
    private readonly byId: OrderedSet<Pick<Group, 'giftsId'>, Group>,
    private readonly bySeq: OrderedSet<Pick<Group, 'seq'>, Pick<Group, 'seq' | 'giftsId'>>,
    private readonly lastSeq: number,
  ) {}

  static readonly empty = new Groups(
    OrderedSet.empty<Pick<Group, 'giftsId'>, Group>({
      compare: (a, b) => byText(a.giftsId, b.giftsId),
    }),
    OrderedSet.empty<Pick<Group, 'seq'>, Pick<Group, 'seq' | 'giftsId'>>({ compare: (a, b) => a.seq - b.seq }),
    0,
  )

  find(giftsId: string): Group | null {
    return this.byId.find({ giftsId })
  }

  /** With gifts that were announced; whatever was known of them is about another announcement. */
  announced({ giftsId, playId }: Pick<Group, 'giftsId' | 'playId'>): Groups {
    const before = this.find(giftsId)
    const seq = this.lastSeq + 1
    const bySeq = (before ? this.bySeq.without(before) : this.bySeq).with({ seq, giftsId })
    const byId = this.byId.with({ giftsId, playId, brought: 0, seq })
    const oldest = bySeq.size > kept ? bySeq.first : null
    return oldest ? new Groups(byId.without(oldest), bySeq.without(oldest), seq) : new Groups(byId, bySeq, seq)
  }

  /** With one more that was told of. */
  brought(group: Group): Groups {
    return new Groups(this.byId.with({ ...group, brought: group.brought + 1 }), this.bySeq, this.lastSeq)
  }
}

export const emptyGroups = Groups.empty
