import type { Alert, BoxDocument, Variation } from '../../core/composition/box.ts'
import type { Composition } from '../../core/composition/schema.ts'
import type { DecisionChannel } from '../../core/decisions/decide.ts'
import type { SampleName } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { isSame } from '../../core/isSame.ts'
import type { Dress } from '../../core/look/seasons.ts'
import { proofSamples } from '../../core/proof/proofCases.ts'
import type { MeasuredSound, Remark, RemarkContext } from '../../core/remarks/remark.ts'
import { remarksOf } from '../../core/remarks/remarksOf.ts'
import type { Seen } from '../../core/remarks/seen.ts'
import { sampleFor } from '../../core/response/sampleFor.ts'
import type { MediaFacts } from '../../core/score/mediaFacts.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { restingMs } from '../../core/score/restingMs.ts'
import { faultWords } from '../components/stage/faultWords.ts'
import { breathe } from '../../player/camera/breathe.ts'
import { calmSearch } from './calmSearch.ts'
import type { Darkroom, Shot, TakenPicture } from './darkroom.ts'

/** One case of a box. */
export interface CaseOfBox {
  key: string
  alert: Alert
  variation: Variation
}

/** What the pictures of all cases of a box depend on. */
export interface BoxContext {
  document: BoxDocument
  dress: Dress
  channel: DecisionChannel
  media: Readonly<Record<string, MediaFacts>>
  /** When it all happens. */
  atMs: number
  sounds: Readonly<Record<string, MeasuredSound>>
  pictureColours: Readonly<Record<string, readonly string[]>>
}

/** A picture as the page shows it and keeps it. */
export interface PictureFile {
  file: Blob
  url: string
}

/** One picture of a proof sheet. */
export interface ProofPicture {
  key: string
  /** With what it is shown: a sample of a case, a state of a board. */
  shownWith: string
  /** Null: it cannot be drawn, for the reason that is remarked. */
  picture: PictureFile | null
  /** What it differs from what is on air: by so much of it, from 0 to 1; `new`: nothing of it is on air. Null: it does not. */
  change: { by: number; before: PictureFile | null } | 'new' | null
  remarks: readonly Remark[]
  /** What the remarks were made from: they are made again when more was seen. */
  looked: RemarkContext | null
}

export const cannotBeDrawn = (words: string): Remark => ({
  type: 'cannotBeDrawn',
  partId: null,
  level: 'wrong',
  words,
  remedy: null,
})

interface Settled {
  viewer: SampleName
  event: CanonicalEvent
  score: ResolvedScore | null
  fault: string
  /** What is on air for the same event; null: nothing of this case. */
  air: ResolvedScore | null
}

const settle = (
  composition: Composition,
  alert: Pick<Alert, 'offer'>,
  event: CanonicalEvent,
  { document, dress, channel, media }: BoxContext,
) => {
  const { canvas, zones } = document
  return resolveScore(composition, {
    ...{ canvas, zones, event, media, look: dress.look, swaps: dress.swaps },
    offer: alert.offer,
    locale: channel.locale,
  })
}

/** What is on air of a case. */
function onAir({ alert, variation }: CaseOfBox, air: BoxContext | null) {
  const aired = air?.document.alerts.find(({ id }) => id === alert.id)
  const its = aired?.variations.find(({ id }) => id === variation.id)
  return aired && its && air ? { alert: aired, composition: its.composition, context: air } : null
}

/** All pictures of a case, at its fullest moment, each beside what is on air where that is another. */
export async function drawCase(
  darkroom: Darkroom,
  drawn: CaseOfBox,
  context: BoxContext,
  air: BoxContext | null,
  signal: AbortSignal,
): Promise<ProofPicture[]> {
  const { alert, variation, key } = drawn
  const aired = onAir(drawn, air)
  const settled: Settled[] = []
  for (const viewer of proofSamples) {
    const sample = { viewer, kind: null, choice: null }
    const event = sampleFor(alert, variation, sample, context.channel, context.atMs)
    const result = settle(variation.composition, alert, event, context)
    const before = aired && settle(aired.composition, aired.alert, event, aired.context)
    settled.push({
      ...{ viewer, event },
      score: result.ok ? result.value : null,
      fault: result.ok ? '' : faultWords(result.error),
      air: before?.ok ? before.value : null,
    })
    await breathe()
  }
  const taken = await takeAll(darkroom, settled, signal)
  return settled.map(({ viewer, event, fault, air: before, score }, index) => {
    const picture = taken[index]
    const base = { key: `${key}/${viewer}`, shownWith: viewer }
    if (!picture || !score)
      return {
        ...base,
        ...{ picture: null, change: null, looked: null },
        remarks: [cannotBeDrawn(fault || 'This picture could not be drawn.')],
      }
    const looked: RemarkContext = {
      kinds: alert.kinds,
      composition: variation.composition,
      score,
      layouts: picture.prepared.layouts,
      zones: context.document.zones,
      messageText: event.data.message?.text ?? '',
      soundLevel: context.dress.look.soundLevel,
      sounds: context.sounds,
      pictureColours: context.pictureColours,
      sceneColours: null,
    }
    return {
      ...base,
      picture: shownFile(picture.file),
      change: air === null ? null : changeOf(picture, before, score),
      remarks: remarksOf(looked),
      looked,
    }
  })
}

/** Those that are the same on air are drawn once, the others with what is on air. */
async function takeAll(
  darkroom: Darkroom,
  settled: readonly Settled[],
  signal: AbortSignal,
): Promise<(TakenPicture | undefined)[]> {
  const shotOf = (score: ResolvedScore): Shot => ({ score, atMs: restingMs(score) })
  const taken: (TakenPicture | undefined)[] = settled.map(() => undefined)
  const [changed, plain]: [number[], number[]] = [[], []]
  settled.forEach(({ score, air }, index) => {
    if (score) (air && !isSame(score, air) ? changed : plain).push(index)
  })
  const shots = (indices: readonly number[], of: (each: Settled) => ResolvedScore | null) =>
    indices.flatMap((index) => {
      const score = settled[index] ? of(settled[index]) : null
      return score ? [shotOf(score)] : []
    })
  const put = (indices: readonly number[], pictures: readonly TakenPicture[]) =>
    indices.forEach((index, at) => (taken[index] = pictures[at]))
  if (plain.length > 0)
    put(
      plain,
      await darkroom.take(
        shots(plain, ({ score }) => score),
        null,
        signal,
      ),
    )
  if (changed.length > 0)
    put(
      changed,
      await darkroom.take(
        shots(changed, ({ score }) => score),
        shots(changed, ({ air }) => air),
        signal,
      ),
    )
  return taken
}

function changeOf(
  { before, difference }: TakenPicture,
  air: ResolvedScore | null,
  score: ResolvedScore,
): ProofPicture['change'] {
  if (!air) return 'new'
  // What moves otherwise or sounds otherwise may look the same at this moment.
  if (isSame(air, score) || difference === 0) return null
  return { by: difference ?? 1, before: before && shownFile(before) }
}

export const shownFile = (file: Blob): PictureFile => ({ file, url: URL.createObjectURL(file) })

/** Looks at all of a case’s play as it is drawn: flashes, and what calms them; text over pictures. */
export async function lookAtCase(
  darkroom: Darkroom,
  { alert, variation }: Omit<CaseOfBox, 'key'>,
  context: BoxContext,
  signal: AbortSignal,
): Promise<Seen> {
  const sample = { viewer: 'everyday', kind: null, choice: null } as const
  const event = sampleFor(alert, variation, sample, context.channel, context.atMs)
  const resolve = (composition: Composition) => {
    const result = settle(composition, alert, event, context)
    return result.ok ? result.value : null
  }
  const score = resolve(variation.composition)
  if (!score) return { flashes: [], texts: [] }
  const texts = await darkroom.hardTextsOf(score, signal)
  const flashes = await darkroom.flashesOf(score, signal)
  if (flashes.length === 0) return { flashes: [], texts }
  const calmer = await calmSearch(
    variation.composition,
    resolve,
    (tried, without) => darkroom.flashesOf(tried, signal, without),
    flashes,
  )
  return { flashes: flashes.map((each) => ({ ...each, calmer })), texts }
}

/** Pictures with what was seen of their case: only the everyday one says it, so that it is said once. */
export const withSeen = (pictures: readonly ProofPicture[], seen: Seen): ProofPicture[] =>
  pictures.map((each) => {
    if (each.shownWith !== 'everyday' || !each.looked) return each
    const looked = { ...each.looked, seen }
    return { ...each, looked, remarks: remarksOf(looked) }
  })
