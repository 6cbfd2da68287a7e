import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterParticles } from '../composition/starterParts.ts'
import type { Composition } from '../composition/schema.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { mediaUses, replaceMedia, withDress } from './mediaUses.ts'
import { mediaOfPart } from './partMedia.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const [picture, sound, other] = ['a', 'b', 'c'].map((digit) => digit.repeat(64)) as [string, string, string]
const follow = starterAlert('follow', canvas, { pictureId: picture, soundId: sound })
const tip = starterAlert('tip', canvas, { pictureId: picture, soundId: null })
const [tipVariation] = tip.variations
if (tipVariation)
  tipVariation.composition.parts.push({
    ...starterParticles(canvas, 'scatter'),
    id: 'sparks',
    sprites: [{ from: 'picture', mediaId: other }, { from: 'picture', mediaId: picture }, { from: 'emotes' }],
  })
const box: BoxDocument = plainBox(canvas, [follow, tip])
const shown = (document: BoxDocument) =>
  mediaUses(document)
    .map(({ mediaId, kind, partId }) => `${mediaId[0]} ${kind} ${partId}`)
    .sort()

describe('where a file is used', () => {
  it('is every part that shows, sounds or throws it', () => {
    expect(shown(box)).toEqual(['a follow picture', 'a tip picture', 'a tip sparks', 'b follow sound', 'c tip sparks'])
  })
})

describe('files of a season', () => {
  const seasonal = {
    ...box,
    seasons: [{ id: 'frost', from: '12-01', to: '01-06', look: lanternLook, swaps: [{ from: picture, to: other }] }],
  }
  it('take others’ places wherever those are used, and nowhere else', () => {
    const of = (alert: number) => seasonal.alerts[alert]?.variations[0]?.composition
    const worn = [0, 1].map((alert) => {
      const composition = of(alert)
      return composition
        ? withDress(composition, seasonal.seasons[0] ?? { look: lanternLook, swaps: [] })
            .parts.flatMap(mediaOfPart)
            .map((id) => id[0])
        : []
    })
    expect(worn).toEqual([
      ['c', 'b'],
      ['c', 'c'],
    ])
    expect(of(0) && withDress(of(0)!, { look: lanternLook, swaps: [] })).toBe(of(0))
  })
  it('count as uses, and are replaced with them, there and back', () => {
    expect(mediaUses(seasonal).filter(({ kind }) => kind === null)).toMatchObject([
      { mediaId: other, partName: 'a file of the season' },
    ])
    const { document, places } = replaceMedia(seasonal, other, sound, null)
    expect(document.seasons[0]?.swaps).toEqual([{ from: picture, to: sound }])
    expect(replaceMedia(document, sound, other, places).document).toEqual(seasonal)
    expect(replaceMedia(seasonal, picture, sound, null).document.seasons[0]?.swaps).toEqual([
      { from: sound, to: other },
    ])
  })
})

describe('replacing a file', () => {
  it('reaches every use, and only those of that file', () => {
    const { document, places } = replaceMedia(box, picture, other, null)
    expect(shown(document)).toEqual(['b follow sound', 'c follow picture', 'c tip picture', 'c tip sparks'])
    expect(places).toHaveLength(3)
    expect(document.alerts[0]?.variations[0]?.composition.parts.find((part) => part.id === 'sound')).toBe(
      follow.variations[0]?.composition.parts.find((part) => part.id === 'sound'),
    )
  })
  it('leaves the box itself alone where there is nothing to replace', () =>
    expect(replaceMedia(box, 'd'.repeat(64), other, null)).toEqual({ document: box, places: [] }))
  it('is undone by its places, even where the new file was used before', () => {
    fc.assert(
      fc.property(fc.constantFrom(sound, 'd'.repeat(64)), fc.constantFrom(picture, sound), (to, from) => {
        const { document, places } = replaceMedia(box, from, to, null)
        expect(replaceMedia(document, to, from, places).document).toEqual(box)
      }),
    )
  })
})

describe('shared sounds of a look', () => {
  const look = { ...lanternLook, sounds: { ...lanternLook.sounds, arrival: other } }
  const shared = { ...plainBox(canvas, [starterAlert('follow', canvas, { pictureId: picture, soundId: sound })]), look }
  const [composition] = shared.alerts.flatMap(({ variations }) => variations.map((each) => each.composition))
  const follows = {
    ...composition!,
    parts: composition!.parts.map((part) => (part.kind === 'sound' ? { ...part, role: 'arrival' as const } : part)),
  }
  const heard = (worn: Composition) => worn.parts.find(({ kind }) => kind === 'sound')
  it('are heard by parts that follow them, and by no others', () => {
    expect(heard(withDress(follows, { look, swaps: [] }))).toMatchObject({ mediaId: other })
    expect(heard(withDress(composition!, { look, swaps: [] }))).toMatchObject({ mediaId: sound })
    expect(heard(withDress(follows, { look: lanternLook, swaps: [] }))).toMatchObject({ mediaId: sound })
  })
  it('may have a season’s file in their place', () =>
    expect(heard(withDress(follows, { look, swaps: [{ from: other, to: picture }] }))).toMatchObject({
      mediaId: picture,
    }))
  it('count as uses and are replaced, there and back', () => {
    expect(mediaUses(shared).filter(({ kind }) => kind === null)).toMatchObject([
      { mediaId: other, variationId: 'everyday', partId: 'arrival' },
    ])
    const { document, places } = replaceMedia(shared, other, sound, null)
    expect(document.look.sounds.arrival).toBe(sound)
    expect(replaceMedia(document, sound, other, places).document).toEqual(shared)
  })
})
