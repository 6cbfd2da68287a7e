import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { mediaUses, replaceMedia } from '../library/mediaUses.ts'
import { resolveScore } from '../score/resolve.ts'
import { boxDocument, type BoxDocument } from './box.ts'
import { offer, withChoice } from './offer.ts'
import { starterAlert } from './starter.ts'
import { plainBox } from './plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const [own, bell, kettle] = ['a', 'b', 'c'].map((digit) => digit.repeat(64)) as [string, string, string]
const offered = {
  kind: 'sound' as const,
  options: [
    { id: 'bell', label: 'oven bell', mediaId: bell },
    { id: 'kettle', label: 'kettle', mediaId: kettle },
  ],
}
const alert = { ...starterAlert('redemption', canvas, { pictureId: own, soundId: own }), offer: offered }
const [variation] = alert.variations
for (const part of variation?.composition.parts ?? [])
  if (part.kind === 'sound' || part.kind === 'picture') part.takesChoice = true
const box: BoxDocument = plainBox(canvas, [alert])

describe('what viewers choose', () => {
  const heard = (choice: string | undefined) => {
    const sample = sampleEvent('redemption')
    const media = Object.fromEntries(
      [own, bell, kettle].map((id) => [id, { url: `/${id}`, mime: 'audio/wav', durationMs: 900 }]),
    )
    const score =
      variation &&
      resolveScore(variation.composition, {
        canvas,
        look: lanternLook,
        zones: [],
        event: { ...sample, data: { ...sample.data, choice } } as typeof sample,
        offer: offered,
        locale: 'en',
        media,
      })
    return score?.ok
      ? Object.fromEntries(score.value.parts.flatMap((part) => ('mediaId' in part ? [[part.id, part.mediaId]] : [])))
      : null
  }
  it('takes the place of the file of the parts that take it', () =>
    expect(heard('kettle')).toEqual({ picture: own, sound: kettle }))
  it.each([undefined, 'gone', 'Bell'])('leaves them alone for %s', (choice) =>
    expect(heard(choice)).toEqual({ picture: own, sound: own }),
  )
  it('reaches no part that does not take it', () => {
    const plain = starterAlert('redemption', canvas, { pictureId: own, soundId: own }).variations[0]?.composition
    expect(plain && withChoice(plain, offered, 'bell')).toEqual(plain)
  })
  it('is refused with more than four, or with one id twice', () => {
    expect(
      offer.safeParse({
        ...offered,
        options: Array.from({ length: 5 }, (_, index) => ({ id: `o${index}`, label: 'x', mediaId: bell })),
      }).success,
    ).toBe(false)
    expect(offer.safeParse({ ...offered, options: [...offered.options, ...offered.options.slice(0, 1)] }).success).toBe(
      false,
    )
  })
  it('counts as a use of its files, and is replaced with them', () => {
    expect(
      mediaUses(box)
        .filter(({ mediaId }) => mediaId === kettle)
        .map(({ variationName, partName }) => `${variationName}: ${partName}`),
    ).toEqual(['what viewers choose: kettle'])
    const { document, places } = replaceMedia(box, kettle, own, null)
    expect(document.alerts[0]?.offer?.options.map(({ mediaId }) => mediaId)).toEqual([bell, own])
    expect(replaceMedia(document, own, kettle, places).document).toEqual(box)
  })
  it('can be asked for by rules, as long as it is on offer', () => {
    const asks = (value: string, isOffered: boolean) =>
      boxDocument.safeParse({
        ...box,
        alerts: [
          {
            ...alert,
            offer: isOffered ? offered : null,
            variations: alert.variations.map((each) => ({
              ...each,
              rule: { match: 'all', of: [{ field: 'choice', is: 'oneOf', values: [value] }] },
            })),
          },
        ],
      }).error?.issues[0]?.message
    expect(asks('bell', true)).toBeUndefined()
    expect(asks('gong', true)).toBe('what the viewer chose is never “gong”')
    expect(asks('bell', false)).toBe('these events never say “choice”')
  })
})
