import { kindOfAlert, playedBy, type Alert, type Variation } from '../../composition/box.ts'
import type { Composition } from '../../composition/schema.ts'
import { kindNames } from '../../events/kindNames.ts'
import type { EventKind } from '../../events/kinds.ts'
import { isSame } from '../../isSame.ts'
import type { Part } from '../../score/parts/part.ts'
import { wordsOfRule } from '../../rules/words.ts'
import {
  differencesBy,
  orderDifference,
  paired,
  saysNothing,
  type ByField,
  type Difference,
  type Telling,
} from './difference.ts'
import { fieldNames } from '../fieldNames.ts'
import { valueWords } from './valueWords.ts'

/** What differs in one alert. */
export function alertDifferences(before: Alert, after: Alert, telling: Telling): Difference[] {
  return differencesBy(ofAlert, before, after, telling)
}

const kindWords = ({ kinds }: Alert) => kinds.map((each) => kindNames[each]).join(', ')
const offerWords = ({ offer }: Alert) => offer?.options.map(({ label }) => label).join(', ') ?? 'nothing'
const onOff = ({ isOn }: Alert) => (isOn ? 'on' : 'off')

/** One line about an alert as a whole. */
const aboutAlert = (what: string, words: (alert: Alert) => string) => (before: Alert, after: Alert) => [
  { kind: kindOfAlert(after), subject: 'Alert', what, before: words(before), after: words(after) },
]

const ofAlert: ByField<Alert, Telling> = {
  id: saysNothing('alerts are told apart by it'),
  isOn: aboutAlert('switched', onOff),
  kinds: aboutAlert('listens to', kindWords),
  offer: aboutAlert('what viewers choose', offerWords),
  variations: (before, after, telling) => {
    const kind = kindOfAlert(after)
    return [
      ...paired(before.variations, after.variations).flatMap(([was, is]) => {
        if (was && is) return differencesBy(ofVariation, was, is, { ...telling, kind, alert: after })
        const { name } = is ?? was ?? { name: '' }
        return is
          ? [{ kind, subject: name, what: 'new', before: '', after: 'variation' }]
          : [{ kind, subject: name, what: 'removed', before: 'variation', after: '' }]
      }),
      ...orderDifference(
        { kind, subject: 'Cases', what: 'order' },
        before.variations,
        after.variations,
        ({ name }) => name,
      ),
    ]
  },
}

interface OfAlert extends Telling {
  kind: EventKind | null
  alert: Alert
}

const shareWords = ({ share }: Variation) => (share ? `${share.group}, ${share.weight} lots` : 'none')

const ofVariation: ByField<Variation, OfAlert> = {
  id: saysNothing('cases are told apart by it'),
  name: (before, after, { kind }) => [
    { kind, subject: after.name, what: 'name', before: before.name, after: after.name },
  ],
  rule: (before, after, { kind, alert, ...locale }) => {
    const words = ({ rule }: Variation) => wordsOfRule(alert, rule, locale)
    return [{ kind, subject: after.name, what: 'plays', before: words(before), after: words(after) }]
  },
  share: (before, after, { kind }) => [
    { kind, subject: after.name, what: 'shares', before: shareWords(before), after: shareWords(after) },
  ],
  isCalled: (before, after, context) => chosenDifference(before, after, context),
  // Where the other differs too, that line has said so.
  isForSeveral: (before, after, context) =>
    isSame(before.isCalled, after.isCalled) ? chosenDifference(before, after, context) : [],
  composition: (before, after, context) =>
    differencesBy(ofComposition, before.composition, after.composition, { ...context, subject: after.name }),
}

const playedWords = { events: 'by events', sheets: 'by run sheets', several: 'for several at once' } as const

function chosenDifference(before: Variation, after: Variation, { kind }: OfAlert): Difference[] {
  const words = (variation: Variation) => playedWords[playedBy(variation)]
  return [{ kind, subject: after.name, what: 'is chosen', before: words(before), after: words(after) }]
}

interface OfVariation extends OfAlert {
  subject: string
}

const ofComposition: ByField<Composition, OfVariation> = {
  version: saysNothing('only compositions of today are compared'),
  length: (before, after, { kind, subject, names }) => {
    const words = ({ length }: Composition) => valueWords('length', length, names)
    return [{ kind, subject, what: 'duration', before: words(before), after: words(after) }]
  },
  silenced: (before, after, { kind, subject }) => {
    const words = ({ silenced }: Composition) => `${silenced.length} switched off`
    return [{ kind, subject, what: 'remarks', before: words(before), after: words(after) }]
  },
  parts: (before, after, { kind, subject, names }) => [
    ...paired(before.parts, after.parts).flatMap(([was, is]) => {
      if (was && is && was.kind === is.kind) return partDifferences(kind, was, is, names)
      if (is) return [{ kind, subject: is.name, what: 'new', before: '', after: is.kind }]
      return was ? [{ kind, subject: was.name, what: 'removed', before: was.kind, after: '' }] : []
    }),
    ...orderDifference({ kind, subject, what: 'drawn in order' }, before.parts, after.parts, ({ name }) => name),
  ],
}

/** Parts have fields of their own by kind: each that either of the two has is told of. */
function partDifferences(kind: EventKind | null, before: Part, after: Part, names: Telling['names']): Difference[] {
  const [earlier, later] = [new Map(Object.entries(before)), new Map(Object.entries(after))]
  return [...new Set([...later.keys(), ...earlier.keys()])]
    .filter((field) => !isSame(earlier.get(field), later.get(field)))
    .map((field) => ({
      kind,
      subject: after.name,
      what: fieldNames[field] ?? field,
      before: valueWords(field, earlier.get(field), names),
      after: valueWords(field, later.get(field), names),
    }))
}
