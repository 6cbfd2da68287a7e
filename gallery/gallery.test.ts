import { describe, expect, it } from 'vitest'
import { chosenBy, severalCases } from '../core/composition/box.ts'
import { eventKinds } from '../core/events/kinds.ts'
import { standsOnNothing } from '../core/remarks/standsOnNothing.ts'
import { sampleEvent, sampleNames, type SampleName } from '../core/events/sampleEvent.ts'
import { isShelved } from '../core/look/fontShelf.ts'
import { contrast } from '../core/colour/contrast.ts'
import { dialProblems, turned } from '../core/pack/turnDials.ts'
import { neededMedia } from '../core/pack/manifest.ts'
import { coverageOf } from '../core/rules/coverage.ts'
import { unknownVariables } from '../core/remarks/content.ts'
import { lengthOfScore, resolveScore } from '../core/score/resolve.ts'
import { spokenLengths, voicesOf } from '../core/speech/sayings.ts'
import { parseTemplate } from '../core/text/template.ts'
import { render, sampleRateHz } from '../demo/media/voices.ts'
import { manifestFor } from './manifestFor.ts'
import { pictureRoles } from './set.ts'
import { sets } from './sets.ts'

const soundRoles = ['arrival', 'support', 'crowd'] as const
const idOf = (at: number) => at.toString(16).padStart(64, '0')
/** A set with files that are told apart by their roles. */
const packOf = (set: (typeof sets)[number]) =>
  manifestFor(
    set,
    {
      picture: (role) => (set.pictures ? idOf(1 + pictureRoles.indexOf(role)) : null),
      sound: (role) => idOf(11 + soundRoles.indexOf(role)),
    },
    [
      ...(set.pictures
        ? pictureRoles.map((role, at) => ({ role, id: idOf(1 + at), kind: 'picture' as const, mime: 'image/png' }))
        : []),
      ...soundRoles.map((role, at) => ({ role, id: idOf(11 + at), kind: 'sound' as const, mime: 'audio/wav' })),
    ].map(({ role, id, kind, mime }) => ({
      id,
      file: `media/${id}`,
      name: role,
      kind,
      mime,
      sizeBytes: 1,
      licence: 'CC0-1.0',
    })),
  )
const media = Object.fromEntries(
  Array.from({ length: 14 }, (_, at) => [
    idOf(at),
    { url: `/media/${idOf(at)}`, mime: at > 10 ? 'audio/wav' : 'image/png', durationMs: at > 10 ? 1500 : null },
  ]),
)

describe('the gallery', () => {
  it('has eight sets or more, each with a name of its own', () => {
    expect(sets.length).toBeGreaterThanOrEqual(8)
    expect(new Set(sets.flatMap(({ id, name }) => [id, name])).size).toBe(sets.length * 2)
  })
})

describe.each(sets.map((set) => [set.name, set] as const))('%s', (_name, set) => {
  const pack = packOf(set)
  it('has an alert for every kind of event, and asks every case', () => {
    expect(pack.box.alerts.flatMap(({ kinds }) => kinds).sort()).toEqual([...eventKinds].sort())
    for (const alert of pack.box.alerts)
      expect(coverageOf(alert, chosenBy(alert)).variations.filter(({ state }) => state === 'unreachable')).toEqual([])
  })
  it('shows several follows, gifts and tips as one, with how many there are', () => {
    for (const kind of ['follow', 'giftBatch', 'tip'] as const) {
      const alert = pack.box.alerts.find(({ kinds }) => kinds.includes(kind))!
      const [several] = severalCases(alert)
      expect(several).toBeDefined()
      const event = { ...sampleEvent(kind), together: { count: 12, total: kind === 'tip' ? 700 : 60 } }
      const score = resolveScore(several!.composition, { ...pack.box, event, locale: 'en', media })
      const words = score.ok ? score.value.parts.flatMap((part) => ('pieces' in part ? part.pieces : [])) : []
      expect(words.map(({ text }) => text).join(' ')).toMatch(/\b11\b/)
    }
  })
  it('has five dials or more; they turn what is there, to both ends, and begin where the set stands', () => {
    expect(pack.dials.length).toBeGreaterThanOrEqual(5)
    expect(dialProblems(pack.box, pack.dials)).toEqual([])
    expect(pack.dials.every(({ group }) => group !== '')).toBe(true)
  })
  it('brings every file that it needs, and no other; ships its typefaces', () => {
    expect(pack.media.map(({ id }) => id).sort()).toEqual(neededMedia(pack.box, pack.dials))
    for (const { family } of Object.values(pack.box.look.type)) expect(isShelved(family)).toBe(true)
  })
  it('can be read: words on plates and outlines', () => {
    const { palette } = pack.box.look
    for (const behind of [palette.plate, palette.outline])
      for (const words of [palette.headline, palette.body, palette.accent])
        expect(contrast(words, behind)).toBeGreaterThanOrEqual(4.5)
  })
  it('says nothing but what its kinds know', () => {
    for (const alert of pack.box.alerts) {
      for (const { composition, rule } of alert.variations) {
        // A case for one of several kinds may say what that one knows.
        const asked =
          rule?.of.flatMap((term) =>
            'field' in term && term.field === 'kind' && term.is === 'oneOf' ? term.values : [],
          ) ?? []
        const kinds = asked.length > 0 ? alert.kinds.filter((kind) => asked.includes(kind)) : alert.kinds
        for (const part of composition.parts) {
          if (part.kind !== 'line' && part.kind !== 'ticker') continue
          const { nodes, problems } = parseTemplate(part.template)
          expect(problems).toEqual([])
          expect(unknownVariables(nodes, kinds, composition)).toEqual([])
        }
      }
    }
  })
  it('plays for every kind, with every name, and its parts have time to come and go', () => {
    for (const alert of pack.box.alerts) {
      for (const kind of alert.kinds) {
        for (const name of Object.keys(sampleNames) as SampleName[]) {
          for (const { composition } of alert.variations) {
            const score = resolveScore(composition, {
              ...pack.box,
              event: sampleEvent(kind, name),
              locale: 'en',
              media,
            })
            if (!score.ok) throw new Error(`${kind}: ${JSON.stringify(score.error)}`)
            // Nobody sees that a message which was not written has no time.
            const shown = { composition, score: score.value }
            expect(score.value.remarks.filter(({ partId }) => !standsOnNothing(shown, partId))).toEqual([])
          }
        }
      }
    }
  })
  it('reads tips, paid messages and months aloud, once one switch says so, and waits until that is done', () => {
    const dial = pack.dials.find(({ id }) => id === 'voice')!
    const heardIn = (box: typeof pack.box) =>
      box.alerts.flatMap(({ kinds: [kind], variations }) =>
        variations.flatMap(({ composition }) => {
          const event = sampleEvent(kind!, 'longest')
          const voices = voicesOf(composition, event, 'en')
          if (voices.length === 0) return []
          const context = { ...box, event, locale: 'en', media }
          const spoken = spokenLengths(composition, event, 'en', {}).voice ?? 0
          const lasts = lengthOfScore(composition, context)
          return [
            {
              kind,
              said: voices.flatMap(({ sayings }) => sayings.map(({ of }) => of)),
              spoken,
              lasts: lasts.ok ? lasts.value : 0,
            },
          ]
        }),
      )
    expect(heardIn(pack.box)).toEqual([])
    const heard = heardIn(turned({ box: pack.box, dials: [dial] }, { voice: true }))
    expect([...new Set(heard.map(({ kind }) => kind))].sort()).toEqual([
      'charityDonation',
      'membershipRenewal',
      'paidMessage',
      'resubscription',
      'tip',
    ])
    for (const { said, spoken, lasts } of heard) {
      expect(said).toEqual(['line', 'message'])
      expect(lasts).toBeGreaterThanOrEqual(Math.min(spoken, 45_000))
    }
  })
  it.each(soundRoles)('sounds when %s, without clipping or a click at its end', (role) => {
    const { seconds } = set.sounds[role]
    const samples = render(set.sounds[role])
    expect(samples.length).toBe(Math.round(seconds * sampleRateHz))
    expect(samples.every((sample) => Number.isFinite(sample) && Math.abs(sample) <= 0.7001)).toBe(true)
    expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(0.01)
    expect(render(set.sounds[role])).toEqual(samples)
  })
})
