// What a change of look costs over a whole box, and what it costs to carry a style over to a hundred cases.
import type { BoxDocument } from '../core/composition/box.ts'
import { starterAlert } from '../core/composition/starter.ts'
import { starterBackdrop, starterMessage } from '../core/composition/starterParts.ts'
import { applyToMany, carried, otherVariations } from '../core/edit/applyToMany.ts'
import { changeBox } from '../core/edit/change.ts'
import { changeLook } from '../core/edit/changeLook.ts'
import { dialFor } from '../core/pack/dialFor.ts'
import type { Manifest } from '../core/pack/manifest.ts'
import { allOf, takePack } from '../core/pack/takePack.ts'
import { turnTaken } from '../core/pack/turnTaken.ts'
import { eventKinds } from '../core/events/kinds.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import { resolveScore } from '../core/score/resolve.ts'
import { ms, report } from './report.ts'
import { medianMs } from './timing.ts'
import { plainBox } from '../core/composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }

/** A box with so many variations over all kinds, each with plate, picture, two lines, a message and a sound. */
function boxOf(count: number): BoxDocument {
  const perKind = Math.ceil(count / eventKinds.length)
  const alerts = eventKinds.map((kind) => {
    const alert = starterAlert(kind, canvas, { pictureId: null, soundId: null })
    const [everyday] = alert.variations
    if (!everyday) return alert
    everyday.composition.parts.unshift(starterBackdrop(canvas, ['headline', 'second']))
    everyday.composition.parts.push(starterMessage(canvas))
    return {
      ...alert,
      variations: Array.from({ length: perKind }, (_, index) => ({
        ...structuredClone(everyday),
        id: `${everyday.id}-${index}`,
      })),
    }
  })
  let left = count
  return plainBox(
    canvas,
    alerts
      .map((alert) => ({ ...alert, variations: alert.variations.filter(() => left-- > 0) }))
      .filter(({ variations }) => variations.length > 0),
  )
}

const large = boxOf(200)
const resolveAll = (document: BoxDocument) => {
  for (const alert of document.alerts)
    for (const { composition } of alert.variations)
      resolveScore(composition, {
        canvas,
        look: document.look,
        zones: [],
        event: sampleEvent(alert.kinds[0] ?? 'follow'),
        locale: 'en-IE',
        media: {},
      })
}
let turn = 0
const recolour = (document: BoxDocument) => {
  const result = changeBox(
    document,
    changeLook(null, 'accent', (look) => void (look.palette.accent = turn++ % 2 ? '#E8C87F' : '#7FC8E8')),
  )
  if (!result.ok) throw new Error(result.error)
  return result.value.document
}
const hundred = boxOf(101)
const source = { alertId: hundred.alerts[0]?.id ?? '', variationId: hundred.alerts[0]?.variations[0]?.id ?? '' }
const targets = otherVariations(hundred, source).map(({ address }) => address)
const carry = () => {
  const result = changeBox(hundred, applyToMany(source, targets, [...carried]))
  if (!result.ok) throw new Error(result.error)
  return result.value.document
}
const pack: Manifest = {
  format: 'thundercrest.pack',
  version: 1,
  id: 'bench',
  release: '1.0.0',
  name: 'Bench',
  author: '',
  licence: '',
  about: '',
  box: large,
  media: [],
  dials: [],
}
for (const [path, label] of [
  ['look.palette.accent', 'colour'],
  ['alerts.*.variations.*.parts.headline.sizePx', 'size'],
] as const)
  pack.dials.push(dialFor(large, path, label) ?? pack.dials[0]!)
const taken = changeBox(plainBox(canvas, []), takePack(pack, 'shelf', allOf(pack)))
const packed = taken.ok ? taken.value.document : large
const turnTo = (id: string, values: readonly [string | number, string | number]) => () => {
  const result = changeBox(packed, turnTaken(pack, pack.id, id, values[turn++ % 2]!, null))
  if (!result.ok) throw new Error(result.error)
}
report('apply', [
  {
    what: 'a colour of the look changed and checked, box of 200 variations',
    figures: { took: ms(medianMs(() => void recolour(large))) },
  },
  {
    what: '… and all 200 variations resolved with it',
    figures: { took: ms(medianMs(() => resolveAll(recolour(large)))) },
  },
  {
    what: '… and the one on the stage resolved with it',
    figures: {
      took: ms(
        medianMs(() => {
          const document = recolour(large)
          const composition = document.alerts[0]?.variations[0]?.composition
          if (composition)
            resolveScore(composition, {
              canvas,
              look: document.look,
              zones: [],
              event: sampleEvent('follow'),
              locale: 'en-IE',
              media: {},
            })
        }),
      ),
    },
  },
  {
    what: 'a dial turned that is bound to the look',
    figures: { took: ms(medianMs(turnTo('colour', ['#E8C87F', '#7FC8E8']))) },
  },
  { what: '… and one that is bound to a part of all 200', figures: { took: ms(medianMs(turnTo('size', [60, 90]))) } },
  {
    what: 'everything carried over to 100 cases, as one step with its undo',
    figures: { took: ms(medianMs(() => void carry())) },
  },
  {
    what: '… and all of them resolved, as their pictures before and after need',
    figures: { took: ms(medianMs(() => resolveAll(carry()))) },
  },
])
