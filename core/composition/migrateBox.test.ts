import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { resolveScore } from '../score/resolve.ts'
import { boxDocument, boxVersion } from './box.ts'
import { migrateBox } from './migrateBox.ts'

const phase = (motion: string, ms: number) => ({ motion, ms })
const base = {
  place: { xPx: 960, yPx: 400, origin: 'centre' },
  motion: { entrance: phase('spring', 900), exit: phase('fade', 300) },
  opacity: 1,
}
const clip = {
  start: { at: 'score.start', offsetMs: 0 },
  end: { length: 'until', edge: { at: 'score.end', offsetMs: 0 } },
}

const { soundLevel: _since3, ...lookOfThen } = lanternLook

/** A box as version 1 stored it: every kind of part that there was. */
const stored = {
  version: 1,
  canvas: { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 },
  look: lookOfThen,
  alerts: [
    {
      id: 'follow',
      kind: 'follow',
      isOn: true,
      variations: [
        {
          id: 'follow-everyday',
          name: 'Everyday',
          composition: {
            version: 1,
            length: { rule: 'fixed', ms: 7000 },
            parts: [
              {
                ...base,
                kind: 'backdrop',
                id: 'plate',
                name: 'Plate',
                clip,
                hugs: ['headline'],
                widthPx: 600,
                heightPx: 200,
                paddingPx: 20,
                cornerPx: 8,
                ink: { role: 'plate' },
              },
              {
                ...base,
                kind: 'picture',
                id: 'picture',
                name: 'Picture',
                clip,
                mediaId: null,
                widthPx: 400,
                heightPx: 400,
                isMirrored: true,
                rotationDeg: 12,
              },
              {
                ...base,
                kind: 'line',
                id: 'headline',
                name: 'Headline',
                clip: { ...clip, start: { at: 'picture.entered', offsetMs: 0 } },
                template: '{name}',
                type: { role: 'display' },
                sizePx: 112,
                floorPx: 52,
                maxWidthPx: 1650,
                ink: { role: 'headline' },
                highlightInk: { role: 'accent' },
                outline: { widthPx: 8, ink: { role: 'outline' } },
              },
              {
                kind: 'sound',
                id: 'sound',
                name: 'Sound',
                clip: { ...clip, end: { length: 'natural', times: 1 } },
                mediaId: null,
                gainDb: -6,
                isMuted: false,
              },
            ],
          },
        },
      ],
    },
  ],
}

describe('a box of version 1', () => {
  const migrated = migrateBox(stored)

  it('is valid today', () => expect(boxDocument.safeParse(migrated).error).toBeUndefined())

  it('draws and sounds as it did', () => {
    const [variation] = migrated.alerts[0]?.variations ?? []
    const score =
      variation &&
      resolveScore(variation.composition, {
        canvas: migrated.canvas,
        look: migrated.look,
        zones: migrated.zones,
        event: sampleEvent('follow'),
        locale: 'en',
        media: {},
      })
    expect(score).toMatchObject({ ok: true, value: { lengthMs: 7000, remarks: [] } })
    if (!score?.ok) return
    expect(score.value.parts).toMatchObject([
      { id: 'plate', hugs: ['headline'], rotationDeg: 0 },
      {
        id: 'picture',
        isMirrored: true,
        rotationDeg: 12,
        fit: 'contain',
        crop: { left: 0, top: 0, right: 0, bottom: 0 },
        tint: null,
      },
      { id: 'headline', startMs: 900, fit: 'shrink', letters: null, shadow: null, align: 'middle', lineHeight: 1.24 },
    ])
  })

  it('is heard as it was, not levelled, and its pictures keep their margins', () => {
    const id = 'a'.repeat(64)
    const parts = migrated.alerts[0]?.variations[0]?.composition.parts ?? []
    const score = resolveScore(
      {
        version: 4,
        length: { rule: 'fixed', ms: 3000 },
        silenced: [],
        parts: parts
          .filter((part) => part.kind === 'sound' || part.kind === 'picture')
          .map((part) => ({ ...part, mediaId: id })),
      },
      {
        canvas: migrated.canvas,
        look: migrated.look,
        zones: [],
        event: sampleEvent('follow'),
        locale: 'en',
        media: {
          [id]: {
            url: '/m',
            mime: 'audio/wav',
            durationMs: 500,
            level: { lufs: -4, truePeakDbtp: 0 },
            margin: { left: 0.4, top: 0, right: 0, bottom: 0 },
          },
        },
      },
    )
    expect(score).toMatchObject({ ok: true, value: { parts: [{ crop: { left: 0 } }, { gainDb: -6 }] } })
  })

  it('stays as it was stored', () => expect(stored.alerts[0]?.variations[0]?.composition.version).toBe(1))
})

describe('a box of version 4', () => {
  const before = { ...migrateBox(stored), version: 4 }
  const [follow] = before.alerts
  const asks = {
    match: 'all',
    of: [
      { field: 'level', is: 'oneOf', values: ['Night shift'] },
      { match: 'any', of: [{ field: 'level', is: 'contains', text: 'oven' }] },
    ],
  }
  const alertOf = (kind: string) => ({
    id: kind,
    kind,
    isOn: true,
    variations: follow?.variations.map((variation) => ({ ...variation, rule: asks })),
  })
  it('listens to one kind as before, and asks memberships for their level by its new name', () => {
    const migrated = migrateBox({ ...before, alerts: [alertOf('membership')] } as never)
    expect(boxDocument.safeParse(migrated).error).toBeUndefined()
    expect(migrated.alerts[0]).toMatchObject({
      kinds: ['membership'],
      offer: null,
      variations: [
        { rule: { of: [{ field: 'levelName' }, { of: [{ field: 'levelName' }] }] }, composition: { version: 4 } },
      ],
    })
    expect(migrated.alerts[0]).not.toHaveProperty('kind')
  })
  it('asks surges for theirs as ever', () =>
    expect(
      migrateBox({ ...before, alerts: [alertOf('surgeStarted')] } as never).alerts[0]?.variations[0]?.rule,
    ).toEqual(asks))
})

describe('a box of version 7', () => {
  it('reads nothing aloud, and no word lights up', () => {
    const before = { ...migrateBox(stored), version: 7 }
    const parts = before.alerts[0]?.variations[0]?.composition.parts ?? []
    const older = {
      ...before,
      alerts: before.alerts.map((alert) => ({
        ...alert,
        variations: alert.variations.map((variation) => ({
          ...variation,
          composition: {
            ...variation.composition,
            parts: parts.map((part) =>
              Object.fromEntries(Object.entries(part).filter(([field]) => field !== 'readAlong')),
            ),
          },
        })),
      })),
    }
    const migrated = migrateBox(older as never)
    expect(boxDocument.safeParse(migrated).error).toBeUndefined()
    expect(migrated).toEqual(migrateBox(stored))
    expect(migrated.alerts[0]?.variations[0]?.composition.parts.find(({ kind }) => kind === 'line')).toMatchObject({
      readAlong: null,
    })
  })
})

describe('a box of today', () => {
  it('comes back as it is', () => {
    const today = migrateBox(stored)
    expect(migrateBox(today)).toBe(today)
  })
  it('of tomorrow is refused by name', () =>
    expect(() => migrateBox({ version: boxVersion + 1 })).toThrow(`version ${boxVersion + 1}`))
  it('was made before videos were heard: none of it is heard now', () => {
    const today = migrateBox(stored)
    const older = {
      ...today,
      version: 9,
      alerts: today.alerts.map((alert) => ({
        ...alert,
        variations: alert.variations.map((variation) => ({
          ...variation,
          composition: {
            ...variation.composition,
            parts: variation.composition.parts.map((part) =>
              Object.fromEntries(Object.entries(part).filter(([field]) => field !== 'ownSound')),
            ),
          },
        })),
      })),
    }
    const migrated = migrateBox(older as never)
    expect(boxDocument.safeParse(migrated).error).toBeUndefined()
    const pictures = migrated.alerts.flatMap(({ variations }) =>
      variations.flatMap(({ composition }) => composition.parts.filter((part) => part.kind === 'picture')),
    )
    expect(pictures.length).toBeGreaterThan(0)
    expect(pictures.every(({ ownSound }) => ownSound.isMuted)).toBe(true)
  })
})
