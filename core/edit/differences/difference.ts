import type { EventKind } from '../../events/kinds.ts'
import { isSame } from '../../isSame.ts'
import type { RuleLocale } from '../../rules/words.ts'

/** One line of "what changes when this goes on air". */
export interface Difference {
  /** Null for what concerns the box as a whole. */
  kind: EventKind | null
  /** What it is about: the name of a part or a variation. */
  subject: string
  what: string
  before: string
  after: string
}

/** How media files are called, by id. */
export type MediaNames = Readonly<Record<string, string>>

/** How differences are told: files by their names, numbers and money as the channel writes them. */
export interface Telling extends RuleLocale {
  names: MediaNames
}

/** Says of one field of `Of` what differs in it, field by field: the compiler names one that nobody tells of. */
export type ByField<Of, Context> = {
  [Field in keyof Of]-?: (before: Of, after: Of, context: Context) => Difference[]
}

/** A field in which no difference can be seen or heard: what it is for stands in the reason. */
export const saysNothing = (_reason: string) => (): Difference[] => []

/** What differs between two states of one thing, in the order of the table. */
export function differencesBy<Of extends object, Context>(
  table: ByField<Of, Context>,
  before: Of,
  after: Of,
  context: Context,
): Difference[] {
  return (Object.keys(table) as (keyof Of)[]).flatMap((field) =>
    isSame(before[field], after[field]) ? [] : table[field](before, after, context),
  )
}

/** What happened to one member of a list. */
export function fateOf(before: object | undefined, after: object | undefined, otherwise: string): string {
  if (!before) return 'new'
  return after ? otherwise : 'removed'
}

interface Listed {
  id: string
}

/** The members of two lists by their ids, those of `after` first: each as it was and as it is. */
export function paired<Member extends Listed>(
  before: readonly Member[],
  after: readonly Member[],
): [before: Member | undefined, after: Member | undefined][] {
  const ids = new Set([...after, ...before].map(({ id }) => id))
  return [...ids].map((id) => [before.find((each) => each.id === id), after.find((each) => each.id === id)])
}

/** A line about the order of a list, where those that both have stand otherwise; its names in order. */
export function orderDifference<Member extends Listed>(
  line: Pick<Difference, 'kind' | 'subject' | 'what'>,
  before: readonly Member[],
  after: readonly Member[],
  nameOf: (member: Member) => string,
): Difference[] {
  const common = (list: readonly Member[], others: readonly Member[]) =>
    list.filter(({ id }) => others.some((other) => other.id === id))
  const [was, is] = [common(before, after), common(after, before)]
  if (was.every(({ id }, index) => id === is[index]?.id)) return []
  // Only what stands otherwise is named: the same members at the beginning and at the end say nothing.
  const from = was.findIndex(({ id }, index) => id !== is[index]?.id)
  const to = was.findLastIndex(({ id }, index) => id !== is[index]?.id) + 1
  const words = (list: readonly Member[]) => list.slice(from, to).map(nameOf).join(', ')
  return [{ ...line, before: words(was), after: words(is) }]
}
