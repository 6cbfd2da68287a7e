import type { Composition } from '../composition/schema.ts'
import type { VariableDeclaration } from '../events/kindDefinition.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { togetherValues } from '../events/together.ts'
import { valuesOf } from '../events/variables.ts'
import { seedOf } from '../random.ts'
import type { TemplateValues } from '../text/templateValue.ts'
import { drawnPrize } from './parts/draw/drawnPrize.ts'

type Parts = Pick<Composition, 'parts'>

/** What decides every draw of an event's play: the event's identity alone. */
export const eventSeed = ({ source, externalId }: Pick<CanonicalEvent, 'source' | 'externalId'>): number =>
  seedOf(`${source}/${externalId}`)

/** The part that draws a prize; where there are several, the first gives its prize to the words. */
const drawIn = ({ parts }: Parts) => parts.find((part) => part.kind === 'draw')

/** What variables stand for in the words of a composition: what the event carries, with others, and what is drawn for it. */
export function valuesIn(composition: Parts, event: CanonicalEvent): TemplateValues {
  const prize = prizeFor(composition, event)
  const own = valuesOf(event)
  return { ...own, ...togetherValues(event.together, own), ...(prize === null ? {} : { prize }) }
}

/** What is drawn for an event, by its name; null where nothing is. */
export function prizeFor(composition: Parts, event: CanonicalEvent): string | null {
  const draw = drawIn(composition)
  return (draw && drawnPrize(draw, eventSeed(event))?.name) ?? null
}

/** Variables that a composition has beside those of its events. */
export const variablesIn = (composition: Parts): VariableDeclaration[] =>
  drawIn(composition) ? [{ name: 'prize', means: 'what was drawn', type: 'text' }] : []
