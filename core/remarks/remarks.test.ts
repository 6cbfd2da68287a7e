import { describe, expect, it } from 'vitest'
import type { Composition } from '../composition/schema.ts'
import { starterCode } from '../composition/starterCode.ts'
import { starterComposition } from '../composition/starter.ts'
import {
  starterBackdrop,
  starterDraw,
  starterMessage,
  starterParticles,
  starterSound,
  starterTicker,
  starterVoice,
} from '../composition/starterParts.ts'
import { applyRemedy } from '../edit/applyRemedy.ts'
import { changeBox } from '../edit/change.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { EventKind } from '../events/kinds.ts'
import { lanternLook } from '../look/lanternLook.ts'
import type { Part, PartOf } from '../score/parts/part.ts'
import { isTextPart } from '../score/resolved.ts'
import { resolveScore } from '../score/resolve.ts'
import { fitText } from '../text/fitText.ts'
import { graphemes } from '../text/graphemes.ts'
import type { TextLayout } from '../text/textLayout.ts'
import { textRoomPx } from '../text/textRoom.ts'
import { cutUnits } from '../text/units.ts'
import type { Remark, RemarkContext } from './remark.ts'
import { remarksOf } from './remarksOf.ts'
import { remarkTypes, type RemarkType } from './remarkTypes.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const pictureId = 'a'.repeat(64)
const soundId = 'b'.repeat(64)
const otherSoundId = 'c'.repeat(64)
const quietId = 'd'.repeat(64)
const lessQuietId = 'e'.repeat(64)
const levels = {
  [soundId]: { lufs: -16, truePeakDbtp: -3 },
  [otherSoundId]: { lufs: -16, truePeakDbtp: -3 },
  [quietId]: { lufs: -30, truePeakDbtp: -8 },
  [lessQuietId]: { lufs: -26, truePeakDbtp: -8 },
}
/** As loud from beginning to end as its true peak. */
const sounds = Object.fromEntries(
  Object.entries(levels).map(([id, level]) => [
    id,
    {
      level,
      waveform: {
        stretchMs: 10,
        peaks: new Uint8Array(id === otherSoundId ? 600 : 240).fill(Math.floor(255 * 10 ** (level.truePeakDbtp / 20))),
      },
    },
  ]),
)
const media = {
  [pictureId]: { url: '/p', mime: 'image/png', durationMs: null },
  ...Object.fromEntries(
    Object.entries(levels).map(([id, level]) => [
      id,
      { url: `/${id}`, mime: 'audio/wav', durationMs: id === otherSoundId ? 6000 : 2400, level },
    ]),
  ),
}
/** What a voice says, where one is put in. */
const spoken = {
  voice: [
    {
      of: 'message' as const,
      text: 'good evening',
      url: '/speech/a.wav',
      durationMs: 2000,
      level: { lufs: -16, truePeakDbtp: -3 },
      words: [],
    },
  ],
}
const voice = (duckDb: number): Part => ({ ...starterVoice('', { at: 'score.start', offsetMs: 500 }), duckDb })
const start = () =>
  starterComposition(canvas, { headline: '{name}', second: 'joins the night shift' }, { pictureId, soundId })

type Arrange = (
  parts: {
    [K in 'picture' | 'headline' | 'second' | 'sound']: PartOf<
      K extends 'picture' ? 'picture' : K extends 'sound' ? 'sound' : 'line'
    >
  },
  composition: Composition,
) => void

/** A composition that has nothing to remark, changed in one way. */
function composed(change: Arrange = () => {}): Composition {
  const composition = start()
  const find = (id: string) => composition.parts.find((part) => part.id === id) as never
  change(
    { picture: find('picture'), headline: find('headline'), second: find('second'), sound: find('sound') },
    composition,
  )
  return composition
}

/** Letters half as wide as they are high: good enough to judge by. */
function contextOf(
  composition: Composition,
  changes: Partial<RemarkContext> = {},
  kind: EventKind = 'tip',
): RemarkContext {
  const event = sampleEvent(kind)
  const zones = changes.zones ?? []
  const result = resolveScore(composition, {
    ...{ canvas, look: lanternLook, zones, event, locale: 'en-IE', media, spoken },
  })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  const layouts = new Map<string, TextLayout>()
  for (const part of result.value.parts) {
    if (!isTextPart(part)) continue
    const fitted = fitText(
      { ...part, maxWidthPx: part.kind === 'ticker' ? Infinity : textRoomPx(part, canvas) },
      (pieces, sizePx) => pieces.reduce((sum, piece) => sum + graphemes(piece.text).length * sizePx * 0.5, 0),
    )
    const units = part.letters
      ? cutUnits(fitted.lines, part.letters.unit).map((unit) => ({ ...unit, xPx: 0, yPx: 0, widthPx: 1, heightPx: 1 }))
      : []
    layouts.set(part.id, { ...fitted, heightPx: fitted.lines.length * fitted.sizePx * part.lineHeight, units })
  }
  return {
    kinds: [kind],
    composition,
    score: result.value,
    layouts,
    zones: [],
    messageText: event.data.message?.text ?? '',
    soundLevel: lanternLook.soundLevel,
    sounds,
    pictureColours: {},
    sceneColours: null,
    ...changes,
  }
}
const typesOf = (remarks: readonly Remark[]) => remarks.map((remark) => `${remark.type}/${remark.partId}`)
const remarked = (composition: Composition, changes: Partial<RemarkContext> = {}, kind: EventKind = 'tip') =>
  remarksOf(contextOf(composition, changes, kind))

const ticker = (): Part => ({ ...starterTicker(canvas, '{name} {party}'), id: 'ticker' })
const message = (change: (part: PartOf<'message'>) => void): Part => {
  const part = starterMessage(canvas, { at: 'second.entered', offsetMs: 0 })
  change(part)
  return part
}

/** Not made of the score: what was seen of its frames stays until they are drawn again. */
const seenElsewhere = ['flashes', 'cannotBeDrawn'] as const
const madeHere = remarkTypes.filter(
  (type): type is Exclude<RemarkType, (typeof seenElsewhere)[number]> => !seenElsewhere.some((each) => each === type),
)

/** For each remark: what brings it about, what nearly does, and the part that it is about. */
const cases: Record<
  Exclude<RemarkType, (typeof seenElsewhere)[number]>,
  { partId: string | null; triggers: Arrange; nearMiss: Arrange; context?: Partial<RemarkContext> }
> = {
  textOverEntrance: {
    partId: 'headline',
    triggers: ({ headline, picture }) => {
      headline.clip.start = { at: 'score.start', offsetMs: 500 }
      headline.place.yPx = picture.place.yPx
    },
    nearMiss: ({ headline, picture }) => {
      headline.clip.start = { at: 'picture.entered', offsetMs: 0 }
      headline.place.yPx = picture.place.yPx
    },
  },
  soundLonger: {
    partId: 'sound',
    triggers: ({ sound, picture, headline, second }) => {
      sound.mediaId = otherSoundId
      for (const part of [picture, headline, second])
        part.clip.end = { length: 'until', edge: { at: 'score.end', offsetMs: -1400 } }
    },
    nearMiss: ({ sound, picture, headline, second }) => {
      sound.mediaId = otherSoundId
      for (const part of [picture, headline, second])
        part.clip.end = { length: 'until', edge: { at: 'score.end', offsetMs: -1200 } }
    },
  },
  soundShorter: {
    partId: 'sound',
    triggers: ({ sound }) => {
      sound.mediaId = otherSoundId
    },
    nearMiss: ({ sound }, composition) => {
      sound.mediaId = otherSoundId
      composition.length = { rule: 'fixed', ms: 6400 }
    },
  },
  cutOff: {
    partId: 'sound',
    triggers: ({ sound }, composition) => {
      sound.mediaId = otherSoundId
      composition.length = { rule: 'fixed', ms: 5900 }
    },
    nearMiss: ({ sound }, composition) => {
      sound.mediaId = otherSoundId
      composition.length = { rule: 'fixed', ms: 6000 }
    },
  },
  phasesShrunk: {
    partId: 'second',
    triggers: ({ second }) => {
      second.clip.end = { length: 'fixed', ms: 700 }
    },
    nearMiss: ({ second }) => {
      second.clip.end = { length: 'fixed', ms: 750 }
    },
  },
  tooLong: {
    partId: null,
    triggers: (_parts, composition) => {
      composition.length = { rule: 'fixed', ms: 15_001 }
    },
    nearMiss: (_parts, composition) => {
      composition.length = { rule: 'fixed', ms: 15_000 }
    },
  },
  tooShort: {
    partId: null,
    triggers: (_parts, composition) => {
      composition.length = { rule: 'fixed', ms: 1999 }
    },
    nearMiss: (_parts, composition) => {
      composition.length = { rule: 'fixed', ms: 2000 }
    },
  },
  smallText: {
    partId: 'second',
    triggers: ({ second }) => {
      second.sizePx = 23
    },
    nearMiss: ({ second }) => {
      second.sizePx = 24
    },
  },
  textCut: {
    partId: 'second',
    triggers: ({ second }) => {
      second.template = 'x'.repeat(100)
      second.floorPx = 36
    },
    nearMiss: ({ second }) => {
      second.template = 'x'.repeat(90)
      second.floorPx = 36
    },
  },
  scrollUnfinished: {
    partId: 'second',
    triggers: ({ second }) => {
      second.fit = 'scroll'
      second.template = 'word '.repeat(50)
    },
    nearMiss: ({ second }) => {
      second.fit = 'scroll'
      second.template = 'word '.repeat(12)
    },
  },
  lettersUnfinished: {
    partId: 'second',
    triggers: ({ second }) => {
      second.letters = { motion: 'typed', unit: 'letter', order: 'start', staggerMs: 400, ms: 40, strength: 1 }
    },
    nearMiss: ({ second }) => {
      second.letters = { motion: 'typed', unit: 'letter', order: 'start', staggerMs: 300, ms: 40, strength: 1 }
    },
  },
  messageHurried: {
    partId: 'message',
    triggers: (_parts, { parts }) => {
      parts.push(message((part) => (part.clip.end = { length: 'fixed', ms: 3000 })))
    },
    nearMiss: (_parts, { parts }) => {
      parts.push(message((part) => (part.clip.end = { length: 'fixed', ms: 5400 })))
    },
  },
  lowContrast: {
    partId: 'second',
    triggers: ({ second }) => {
      second.outline.widthPx = 0
    },
    nearMiss: ({ second }) => {
      second.outline.widthPx = 3
    },
  },
  contrastDrawn: {
    partId: 'headline',
    triggers: ({ headline, picture }) => {
      headline.ink = { own: '#FFFFFF' }
      headline.outline = { ...headline.outline, widthPx: 0 }
      headline.place.yPx = picture.place.yPx
    },
    nearMiss: ({ headline, picture }) => {
      headline.outline = { widthPx: 12, ink: { own: '#000000' } }
      headline.place.yPx = picture.place.yPx
    },
    context: {
      // Its colours alone say nothing against it.
      sceneColours: () => ['#000000'],
      seen: { flashes: [], texts: [{ partId: 'headline', atMs: 2400, share: 0.6, ratio: 1.4, needed: 3 }] },
    },
  },
  outsideCanvas: {
    partId: 'picture',
    triggers: ({ picture }) => {
      picture.place.xPx = 200
    },
    nearMiss: ({ picture }) => {
      picture.place.xPx = 230
    },
  },
  outsideSafeArea: {
    partId: 'second',
    triggers: ({ second }) => {
      second.place.yPx = 1030
    },
    nearMiss: ({ second }) => {
      second.place.yPx = 985
    },
  },
  overZone: {
    partId: 'picture',
    triggers: ({ picture }) => {
      picture.place.xPx = 1600
    },
    nearMiss: ({ picture }) => {
      picture.place.xPx = 1460
    },
    context: {
      zones: [{ id: 'cam', name: 'Oven cam', purpose: 'camera', xPx: 1700, yPx: 300, widthPx: 200, heightPx: 300 }],
    },
  },
  unknownVariable: {
    partId: 'headline',
    triggers: ({ headline }) => {
      headline.template = '{name} {party}'
    },
    nearMiss: ({ headline }) => {
      headline.template = '{name} {amount}'
    },
  },
  templateProblem: {
    partId: 'headline',
    triggers: ({ headline }) => {
      headline.template = '{name'
    },
    nearMiss: ({ headline }) => {
      headline.template = "'{'{name}"
    },
  },
  codeProblem: {
    partId: 'code',
    triggers: (_, { parts }) => void parts.push({ ...starterCode(canvas), html: '<script>1</script>' }),
    nearMiss: (_, { parts }) => void parts.push({ ...starterCode(canvas), html: '<b>&lt;script></b>' }),
  },
  noMedia: {
    partId: 'picture',
    triggers: ({ picture }) => {
      picture.mediaId = null
    },
    nearMiss: () => {},
  },
  unusedPart: {
    partId: 'picture',
    triggers: ({ picture }) => {
      picture.isHidden = true
    },
    nearMiss: ({ picture }) => {
      picture.opacity = 0.1
    },
  },
  soundsTooLoud: {
    partId: 'sound-2',
    triggers: (_parts, { parts }) => {
      parts.push({
        ...starterSound(otherSoundId),
        id: 'sound-2',
        clip: { start: { at: 'score.start', offsetMs: 1000 }, end: { length: 'natural', times: 1 } },
      })
    },
    nearMiss: (_parts, { parts }) => {
      parts.push({
        ...starterSound(otherSoundId),
        id: 'sound-2',
        clip: { start: { at: 'score.start', offsetMs: 2400 }, end: { length: 'natural', times: 1 } },
      })
    },
  },
  soundOverCeiling: {
    partId: 'sound',
    triggers: ({ sound }) => {
      sound.trimDb = 2.5
    },
    nearMiss: ({ sound }) => {
      sound.trimDb = 2
    },
  },
  soundBelowTarget: {
    partId: 'sound',
    triggers: ({ sound }) => {
      sound.mediaId = quietId
    },
    nearMiss: ({ sound }) => {
      sound.mediaId = lessQuietId
    },
  },
  notLevelled: {
    partId: 'sound',
    triggers: ({ sound }) => {
      sound.isLevelled = false
      sound.trimDb = -4
    },
    nearMiss: ({ sound }) => {
      sound.isLevelled = false
      sound.trimDb = -3
    },
  },
  voiceOverSound: {
    partId: 'voice',
    triggers: (_parts, { parts }) => {
      parts.push(voice(-5))
    },
    nearMiss: (_parts, { parts }) => {
      parts.push(voice(-6))
    },
  },
  voiceMayBeCut: {
    partId: 'voice',
    triggers: (_parts, { parts }) => {
      parts.push(voice(-14))
    },
    nearMiss: (_parts, composition) => {
      composition.parts.push(voice(-14))
      composition.length = { rule: 'fit', minMs: 7000, maxMs: 45_000 }
    },
  },
}

describe('remarks', () => {
  it('are not made where all is well', () => expect(remarked(start())).toEqual([]))

  it.each(madeHere)('%s is made where it is due, and not where it nearly is', (type) => {
    const { partId, triggers, nearMiss, context } = cases[type]
    expect(typesOf(remarked(composed(triggers), context))).toContain(`${type}/${partId}`)
    expect(typesOf(remarked(composed(nearMiss), context)).filter((each) => each.startsWith(`${type}/`))).toEqual([])
  })

  it.each(madeHere)('%s is gone once its advice was followed', (type) => {
    const { triggers, context } = cases[type]
    const composition = composed(triggers)
    const remark = remarked(composition, context).find((each) => each.type === type)
    if (!remark?.remedy) return
    const box = plainBox(canvas, [
      {
        id: 'tip',
        kinds: ['tip' as const],
        isOn: true,
        offer: null,
        variations: [{ id: 'v', name: 'V', rule: null, share: null, composition }],
      },
    ])
    const mended = changeBox(box, applyRemedy({ alertId: 'tip', variationId: 'v' }, remark.remedy))
    expect(mended.ok).toBe(true)
    if (!mended.ok) return
    const after = mended.value.document.alerts[0]?.variations[0]?.composition
    expect(after && typesOf(remarked(after, context))).not.toContain(`${type}/${remark.partId}`)
  })

  it.each(madeHere)('%s can be switched off for its part', (type) => {
    const { partId, triggers, context } = cases[type]
    const composition = { ...composed(triggers), silenced: [{ type, partId }] }
    expect(typesOf(remarked(composition, context))).not.toContain(`${type}/${partId}`)
  })

  it('say what is wrong before what is worth a thought', () => {
    const levels = remarked(
      composed(({ picture, headline }) => {
        picture.mediaId = null
        headline.template = '{party}'
      }),
    ).map((remark) => remark.level)
    expect(levels).toEqual([...levels].sort().reverse())
  })

  it('read running lines too, and leave particles and full pictures their freedom', () => {
    expect(
      typesOf(
        remarked(
          composed((_parts, { parts }) => parts.push(ticker())),
          {},
          'raid',
        ),
      ),
    ).not.toContain('unknownVariable/ticker')
    expect(
      typesOf(
        remarked(
          composed((_parts, { parts }) => parts.push(ticker())),
          {},
          'follow',
        ),
      ),
    ).toContain('unknownVariable/ticker')
    const full = composed(({ picture }, { parts }) => {
      Object.assign(picture, { widthPx: 2000, heightPx: 1200, place: { xPx: 960, yPx: 540, origin: 'centre' } })
      parts.push(starterParticles(canvas, 'gust'))
    })
    expect(typesOf(remarked(full)).filter((each) => each.startsWith('outside'))).toEqual([])
  })
})

describe('contrast', () => {
  const bare: Arrange = ({ second }, { parts }) => {
    second.outline.widthPx = 0
    parts.unshift(starterBackdrop(canvas, ['headline', 'second']))
  }
  const isLow = (change: Arrange, context: Partial<RemarkContext> = {}) =>
    typesOf(remarked(composed(change), context)).includes('lowContrast/second')

  it('is judged against the plate behind the text, as far as that covers', () => {
    const plated =
      (opacity: number): Arrange =>
      (parts, composition) => {
        bare(parts, composition)
        const [plate] = composition.parts
        if (plate?.kind === 'backdrop') plate.opacity = opacity
      }
    expect(isLow(plated(0.3))).toBe(true)
    expect(isLow(plated(0.72))).toBe(false)
  })

  it('is judged against the person’s own scene where there is one', () => {
    const noOutline: Arrange = ({ second }) => {
      second.outline.widthPx = 0
    }
    expect(isLow(noOutline, { sceneColours: () => ['#101018', '#2A1C10'] })).toBe(false)
    expect(isLow(noOutline, { sceneColours: () => ['#101018', '#E8E0D0'] })).toBe(true)
  })

  it('of a draw is that of its names on paper and of the words on its shelf', () => {
    const drawn = (change: Partial<PartOf<'draw'>>) =>
      remarked(composed((_parts, { parts }) => parts.push({ ...starterDraw(canvas), ...change }))).flatMap(
        ({ type, words }) => (type === 'lowContrast' ? [words.split(' of “')[0]] : []),
      )
    const own = (hex: string) => ({ own: hex })
    const readable = { packetInk: own('#F4E8D0'), rareInk: own('#FFD24A'), labelInk: own('#20140A') }
    expect(drawn({ ...readable, frameInk: own('#20140A'), ink: own('#FFF6E0') })).toEqual([])
    expect(drawn({ ...readable, labelInk: own('#C9A86A'), frameInk: own('#20140A'), ink: own('#FFF6E0') })).toEqual([
      'The names on the packets',
    ])
    expect(drawn({ ...readable, frameInk: own('#FFF6E0'), ink: own('#FFFFFF') })).toEqual(['The words on the shelf'])
    const silent = { template: '', pxPerS: 0 }
    expect(drawn({ ...readable, frameInk: own('#FFF6E0'), ink: own('#FFFFFF'), face: silent })).toEqual([])
  })

  it('knows what colours a picture behind the text shows', () => {
    const over: Arrange = ({ second, picture }) => {
      second.outline.widthPx = 0
      second.place = { ...picture.place }
    }
    const scene = { sceneColours: () => ['#101018'] }
    expect(isLow(over, { ...scene, pictureColours: { [pictureId]: ['#201008'] } })).toBe(false)
    expect(isLow(over, { ...scene, pictureColours: { [pictureId]: ['#F6D79B'] } })).toBe(true)
  })
})
