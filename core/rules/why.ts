import type { Draw } from './choose.ts'
import { fieldOf, type Listener } from './fields.ts'
import { comparisonHolds } from './matches.ts'
import { isComparison, type Rule, type RuleTerm } from './schema.ts'
import type { RuleValues } from './values.ts'
import { wordsOfComparison, wordsOfRule, wordsOfValue, type RuleLocale } from './words.ts'

/** One comparison or group of a rule: what it asks, whether it held, and what the event said. */
export interface WhyTerm {
  words: string
  holds: boolean
  /** What the event said; null where it did not say it, or for a group. */
  said: string | null
  of: WhyTerm[]
}

/** One variation as it was looked at. */
export interface WhyVariation {
  id: string
  name: string
  /**
   * `plays`: it was chosen. `held`: its rule held too, but it came later or lost the draw. `failed`: its rule did not
   * hold.
   */
  outcome: 'plays' | 'held' | 'failed'
  terms: WhyTerm[]
}

/** Why an alert played what it played: a mirror of the decision, kept with it. */
export interface Why {
  alertId: string
  variations: WhyVariation[]
  draw: Draw | null
}

/** A variation whose rule was asked, with what each term of it said. */
export interface AskedVariation {
  id: string
  name: string
  holds: boolean
  terms: WhyTerm[]
}

function askTerm(listener: Listener, term: RuleTerm, values: RuleValues, locale: RuleLocale): WhyTerm {
  if (!isComparison(term)) {
    const of = term.of.map((each) => askTerm(listener, each, values, locale))
    return { words: wordsOfRule(listener, term, locale), holds: holdTogether(term.match, of), said: null, of }
  }
  const field = fieldOf(listener, term.field)
  const value = values[term.field]
  return {
    words: wordsOfComparison(listener, term, locale),
    holds: comparisonHolds(term, values),
    said: field && value !== undefined ? wordsOfValue(field, value, locale).slice(0, 200) : null,
    of: [],
  }
}

function holdTogether(match: Rule['match'], terms: readonly WhyTerm[]): boolean {
  if (match === 'all') return terms.every(({ holds }) => holds)
  const isAny = terms.some(({ holds }) => holds)
  return match === 'any' ? isAny : !isAny
}

/** Asks every rule of an alert, each comparison once: what holds and what is said of it come from the same answers. */
export function askEach(
  listener: Listener,
  variations: readonly { id: string; name: string; rule: Rule | null }[],
  values: RuleValues,
  locale: RuleLocale,
): AskedVariation[] {
  return variations.map(({ id, name, rule }) => {
    const terms = (rule?.of ?? []).map((term) => askTerm(listener, term, values, locale))
    return { id, name, holds: rule === null || holdTogether(rule.match, terms), terms }
  })
}

/** What each variation's rule said about an event's values. */
const heldOrFailed = (holds: boolean) => (holds ? 'held' : 'failed')

export function whyOf(
  alertId: string,
  asked: readonly AskedVariation[],
  chosenId: string | null,
  draw: Draw | null,
): Why {
  return {
    alertId,
    draw,
    variations: asked.map(({ id, name, holds, terms }) => ({
      id,
      name,
      outcome: id === chosenId ? 'plays' : heldOrFailed(holds),
      terms,
    })),
  }
}

/** The same as one sentence. */
export function sentenceOf({ variations, draw }: Why): string {
  const chosen = variations.find(({ outcome }) => outcome === 'plays')
  if (!chosen) return 'The alert is on, but none of its variations applies, and there is no everyday one.'
  const held = chosen.terms
    .filter(({ holds }) => holds)
    .map(({ words, said }) => (said === null ? words : `${words} (it is ${said})`))
  const plainly = variations.length > 1 ? 'no special case before it applies' : 'it is the only case of its alert'
  const because = held.length > 0 ? ` because ${held.join(' and ')}` : `: ${plainly}`
  const all = draw?.odds.reduce((sum, { weight }) => sum + weight, 0) ?? 0
  const own = draw?.odds.find(({ id }) => id === chosen.id)?.weight ?? 0
  return `“${chosen.name}” plays${because}${draw && draw.odds.length > 1 ? `, drawn with ${own} lots of ${all}` : ''}.`
}
