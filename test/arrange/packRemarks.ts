import type { Page } from '@playwright/test'
import { factsOf, levelOf } from '../../contract/mediaFacts.ts'
import type { PackView } from '../../contract/packs.ts'
import { sampleEvent, sampleNames, type SampleName } from '../../core/events/sampleEvent.ts'
import { remarksOf } from '../../core/remarks/remarksOf.ts'
import { exampleOf } from '../../core/rules/exampleOf.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { layoutsOf } from './playerHarness.ts'

const channel = { locale: 'en-IE', currency: 'EUR', timeZone: 'Europe/Lisbon', rates: {} }

/**
 * Everything that the score room would remark of a pack, in every case, for every kind that it listens to, with every
 * sample. The page is the player's harness.
 */
export async function packRemarks(page: Page, { manifest, media }: PackView): Promise<string[]> {
  const { box } = manifest
  const facts = Object.fromEntries(media.map((file) => [file.id, factsOf(file)]))
  const sounds = Object.fromEntries(
    media.flatMap(({ id, measured }) =>
      measured?.of === 'sound'
        ? [[id, { level: levelOf(measured), waveform: { stretchMs: 10, peaks: new Uint8Array() } }]]
        : [],
    ),
  )
  const colours = media.map(({ id, measured }) => [id, (measured?.of === 'picture' && measured.seen?.colours) || []])
  const cases = box.alerts.flatMap((alert) =>
    alert.variations.flatMap(({ id, name, composition }) =>
      (Object.keys(sampleNames) as SampleName[]).flatMap((viewer) => {
        const example = exampleOf(alert, alert.variations, (kind) => sampleEvent(kind, viewer, 0), id, channel)
        if (!example) return []
        const score = resolveScore(composition, { ...box, event: example.event, locale: channel.locale, media: facts })
        if (!score.ok) throw new Error(`${id}: ${score.error.type}`)
        return [{ alert, name, viewer, composition, event: example.event, score: score.value }]
      }),
    ),
  )
  const layouts = await layoutsOf(
    page,
    // Pictures change no layout: without them nothing is loaded but typefaces.
    cases.map(({ score }): ResolvedScore => ({ ...score, parts: score.parts.filter((part) => 'pieces' in part) })),
  )
  return cases.flatMap(({ alert, name, viewer, composition, event, score }, at) =>
    remarksOf({
      kinds: alert.kinds,
      composition,
      score,
      layouts: new Map(layouts[at]),
      zones: box.zones,
      messageText: event.data.message?.text ?? '',
      soundLevel: box.look.soundLevel,
      sounds,
      pictureColours: Object.fromEntries(colours) as Record<string, string[]>,
      sceneColours: null,
    }).map(({ words, level }) => `${manifest.name}, ${alert.id}, ${name}, ${viewer}: ${words} (${level})`),
  )
}
