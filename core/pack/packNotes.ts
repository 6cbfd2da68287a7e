import { mainKind } from '../composition/box.ts'
import { kindNames } from '../events/kindNames.ts'
import { templateOf } from '../score/parts/part.ts'
import { unknownVariables } from '../remarks/content.ts'
import { parseTemplate } from '../text/template.ts'
import { shippedEngines } from '../speech/voiceChoice.ts'
import { ownFamilies } from './familiesOf.ts'
import type { Manifest } from './manifest.ts'
import { dialProblems } from './turnDials.ts'

/**
 * What whoever takes a pack should know of it: what in it will not do what its designer meant. It is taken all the
 * same.
 * @param families the typefaces that it brings, as they are called here
 */
export function packNotes(
  { box, dials, media }: Pick<Manifest, 'box' | 'dials' | 'media'>,
  families: readonly string[],
): string[] {
  const words = box.alerts.flatMap((alert) =>
    alert.variations.flatMap(({ composition }) =>
      composition.parts.flatMap((part) => {
        const template = templateOf(part)
        if (template === null) return []
        const { nodes, problems } = parseTemplate(template)
        const where = `“${part.name}” of ${kindNames[mainKind(alert)]}`
        const unknown = unknownVariables(nodes, alert.kinds, composition).map(
          (name) => `${where} leaves {${name}} empty: such events never carry it.`,
        )
        return [...unknown, ...(problems.length > 0 ? [`${where} has words that cannot be read as meant.`] : [])]
      }),
    ),
  )
  const turning = dialProblems(box, dials).map(
    ({ dialId, words: problem }) => `The dial “${dials.find(({ id }) => id === dialId)?.label ?? dialId}”: ${problem}.`,
  )
  const missing = ownFamilies(box, dials)
    .filter((family) => !families.includes(family))
    .map((family) => `The typeface ${family} does not come with it: another stands in.`)
  const engines = box.alerts.flatMap((alert) =>
    alert.variations.flatMap(({ composition }) =>
      composition.parts.flatMap((part) => (part.kind === 'voice' ? [part.lineVoice, part.messageVoice] : [])),
    ),
  )
  const elsewhere = [
    ...new Set(
      engines.flatMap((voice) =>
        voice && !shippedEngines.some((name) => name === voice.engine) ? [voice.engine] : [],
      ),
    ),
  ].map(
    (engine) =>
      `Some of it is read by the voice engine “${engine}”: where a server does not have it, these alerts play without a voice.`,
  )
  const unlicensed = media.filter(({ licence }) => licence === '').length
  return [
    ...new Set([
      ...turning,
      ...words,
      ...missing,
      ...elsewhere,
      ...(unlicensed > 0
        ? [`${unlicensed} of its files ${unlicensed === 1 ? 'says' : 'say'} nothing of a licence.`]
        : []),
    ]),
  ]
}
