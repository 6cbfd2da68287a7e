import { describe, expect, it } from 'vitest'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterDraw, starterMessage, starterVoice } from '../composition/starterParts.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { plainCircumstances } from '../rules/circumstances.ts'
import { usualSettings } from '../speech/settings.ts'
import { usualCalls } from '../triggers/settings.ts'
import type { ChannelOnAir } from './channelOnAir.ts'
import { boxOfLane, laneOfBox } from './lane.ts'
import { respond, type Arrived } from './respond.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const tip = starterAlert('tip', canvas, { pictureId: null, soundId: null })
const spoken = starterAlert('tip', canvas, { pictureId: null, soundId: null })
for (const { composition } of spoken.variations)
  composition.parts = [starterMessage(canvas), starterVoice('{name}', { at: 'score.start', offsetMs: 0 })]
const onAir = (boxId: string, alerts: Parameters<typeof plainBox>[1]) => ({
  boxId,
  version: { id: `version of ${boxId}`, document: plainBox(canvas, alerts) },
})
const channel: ChannelOnAir = {
  triggers: [],
  calls: usualCalls,
  goals: { basis: 0, counted: [] },
  flags: () => false,
  boards: [],
  locale: 'en-IE',
  currency: 'EUR',
  rates: {},
  timeZone: 'UTC',
  weekStart: 1,
  pageColours: null,
  platforms: {},
  historyKinds: new Set(),
  boxes: [onAir('shows', [tip]), { boxId: 'never', version: null }, onAir('other', []), onAir('speaks', [spoken])],
  speech: { ...usualSettings, isOn: true, approvesMessages: true },
  media: {},
}
const arrived: Arrived = {
  event: sampleEvent('tip'),
  receivedAtMs: 0,
  isTest: false,
  circumstances: plainCircumstances,
}

describe('what an event causes', () => {
  it('is one effect for each box, in its lane: an alert, or nothing and why', () => {
    const effects = respond(arrived, channel)
    expect(
      effects.map(({ lane, alert, settled }) => [lane, alert?.versionId ?? null, settled?.outcome ?? null]),
    ).toEqual([
      ['box:shows', 'version of shows', null],
      ['box:never', null, 'off'],
      ['box:other', null, 'off'],
      ['box:speaks', 'version of speaks', null],
    ])
    expect(effects[1]?.settled?.reason).toBe('This box has not been put on air yet.')
    const told = (all: typeof effects) =>
      all.map(({ alert, ...rest }) => ({ ...rest, alert: alert && { ...alert, score: alert.score() } }))
    expect(told(respond(arrived, channel))).toEqual(told(effects))
    expect(effects[0]?.alert?.score().lengthMs).toBe(effects[0]?.alert?.lengthMs)
  })
  it('waits for somebody where a viewer’s words would be read, and never in a test', () => {
    const awaiting = (isTest: boolean) =>
      respond({ ...arrived, isTest }, channel).map(({ alert }) => alert?.isAwaiting ?? null)
    expect(awaiting(false)).toEqual([false, null, null, true])
    expect(awaiting(true)).toEqual([false, null, null, false])
  })
  it('of a test of a case for several at once is shown as of several', () => {
    const [everyday] = tip.variations
    const several = { ...everyday!, id: 'several', isForSeveral: true as const }
    const [box] = channel.boxes
    const document = { ...box!.version!.document, alerts: [{ ...tip, variations: [several, ...tip.variations] }] }
    const boxes = [{ boxId: 'shows', version: { id: 'v', document } }]
    const ask = (variationId: string | null) =>
      respond({ ...arrived, isTest: true }, { ...channel, boxes }, { onlyBoxId: 'shows', variationId })[0]?.alert
    expect(ask('several')).toMatchObject({ variation: { id: 'several' }, together: { count: 12 } })
    // By itself no event is shown so.
    expect([ask(null)?.variation.id, ask(null)?.together]).toEqual([everyday!.id, undefined])
  })
  it('of a test is that of one box and one case, also where another would be chosen', () => {
    const [everyday] = tip.variations
    const never = {
      ...everyday!,
      id: 'never',
      rule: { match: 'all' as const, of: [{ field: 'amount', is: 'atLeast' as const, value: 999_999_999 }] },
    }
    const boxes = [onAir('shows', [{ ...tip, variations: [never, everyday!] }])]
    const wish = { onlyBoxId: 'shows', variationId: 'never' }
    const [effect] = respond(arrived, { ...channel, boxes }, wish)
    expect(effect?.alert?.variation.id).toBe('never')
    expect(effect?.decided).toContain('because the test asked for it')
    expect(respond(arrived, channel, { onlyBoxId: 'none', variationId: null })).toEqual([])
  })
  it('keeps with its reason what is drawn for it', () => {
    const drawing = starterAlert('tip', canvas, { pictureId: null, soundId: null })
    for (const { composition } of drawing.variations) composition.parts = [starterDraw(canvas)]
    const draws = (externalId: string) =>
      respond(
        { ...arrived, event: { ...arrived.event, externalId } },
        { ...channel, boxes: [onAir('draws', [drawing])] },
      )
    const [effect] = draws('one')
    const draw = effect?.alert?.score().parts.find((part) => part.kind === 'draw')
    const drawn = draw?.kind === 'draw' ? draw.prizes[draw.row[draw.drawnAt] ?? -1]?.name : undefined
    expect(effect?.decided).toMatch(new RegExp(`It draws “${drawn}”\\.$`))
    expect(new Set(Array.from({ length: 40 }, (_, at) => draws(`d-${at}`)[0]?.decided)).size).toBe(4)
  })
  it('that cannot be settled has failed', () => {
    const [variation] = tip.variations
    const broken = structuredClone({ ...tip, variations: [variation!] })
    const [part] = broken.variations[0]!.composition.parts
    part!.clip.start = { at: `${part!.id}.end`, offsetMs: 0 } as never
    const [effect] = respond(arrived, { ...channel, boxes: [onAir('shows', [broken])] })
    expect(effect?.settled?.outcome).toBe('failed')
  })
  it('stands in a lane that is told from its name', () => {
    expect([boxOfLane(laneOfBox('b')), boxOfLane('chat:x')]).toEqual(['b', null])
  })
})
