import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Logger } from 'pino'
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { plainBox } from '../../core/composition/plainBox.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { starterMessage, starterVoice } from '../../core/composition/starterParts.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import { err, ok } from '../../core/result.ts'
import { usualSettings, type SpeechSettings } from '../../core/speech/settings.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import type { DatabaseHandle } from '../../server/db/handle.ts'
import { migrate } from '../../server/db/migrate.ts'
import { openEmbedded } from '../../server/db/openEmbedded.ts'
import { addBox, findBox, publishVersion } from '../../server/db/queries/boxes.ts'
import { claim } from '../../server/db/queries/nodes.ts'
import { addChannel, addPerson, setSpeech } from '../../server/db/queries/people.ts'
import { findPlay } from '../../server/db/queries/plays.ts'
import { decideEvents, type EarnedPlay, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { BoxQueues } from '../../server/queue/boxQueues.ts'
import { Shows } from '../../server/queue/shows.ts'
import type { SpeechEngine } from '../../server/speech/engine.ts'
import { SpeechEngines } from '../../server/speech/engines.ts'
import { PlayVoices } from '../../server/speech/playVoices.ts'
import { Clock } from '../../server/system/clock.ts'
import { waitingIn } from '../arrange/queueRun.ts'
import { Speaker } from '../../server/speech/speaker.ts'
import { SpeechCache } from '../../server/speech/speechCache.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const alert = starterAlert('tip', canvas, { pictureId: null, soundId: null })
for (const { composition } of alert.variations) {
  composition.length = { rule: 'fit', minMs: 1000, maxMs: 45_000 }
  composition.parts = [starterMessage(canvas), starterVoice('{name} left {amount}', { at: 'score.start', offsetMs: 0 })]
}
const folder = mkdtempSync(join(tmpdir(), 'thundercrest-voices-'))
const channelId = 'channel-1'
const boxId = 'box-1'
let handle: DatabaseHandle
let number = 0

/** A quarter of a second of tone for each word. */
const speak = vi.fn<SpeechEngine['speak']>()
const spoken = (text: string) =>
  ok({
    rateHz: 8000,
    samples: Int16Array.from({ length: text.split(' ').length * 2000 }, (_, at) => Math.round(Math.sin(at / 3) * 9000)),
    words: [],
  })
const engine: SpeechEngine = {
  voices: async () => ok([{ id: 'gmw/en', language: 'en', name: 'English' }]),
  speak,
  close: () => undefined,
}

/** The server's part that speaks and queues, as it is after a start: it knows what the database knows. */
async function started() {
  const onAir = new OnAirCache(handle.db)
  const logger = { warn: vi.fn(), error: vi.fn() } as unknown as Logger
  const speaker = new Speaker(
    new SpeechEngines(new Map([['espeak-ng', engine]])),
    new SpeechCache(join(folder, `cache-${number++}`), 'secret'),
    { guess: async (texts, own) => texts.map(() => own) },
  )
  const onNothingToApprove = (of: string, playId: string) => queues.input(of, { type: 'released', playId })
  const shows = new Shows({
    db: handle.db,
    onAir,
    dress: (show) => show,
    voices: new PlayVoices({
      db: handle.db,
      logger,
      speaker,
      now: Date.now,
      onChange: () => undefined,
      onNothingToApprove,
    }),
  })
  const queues: BoxQueues = new BoxQueues({
    db: handle.db,
    logger,
    clock: new Clock(),
    noteTrouble: () => false,
    send: () => undefined,
    isSure: () => true,
    letGo: () => Promise.resolve(),
    onLaneLost: () => expect.fail('nobody else is there'),
    shows,
    onAir,
    sceneOf: () => Promise.resolve(null),
    onChange: () => undefined,
    onPlayChanged: () => undefined,
    onStarted: () => undefined,
    onPlay: () => undefined,
  })
  const row = await findBox(handle.db, channelId, boxId)
  for (const { hold, leftAt } of await claim(handle.db, `node-${number++}`, [], true))
    if (row) await queues.open(row, hold, leftAt)
  /** Keeps a tip and puts what it earned into the queue. */
  const tip = async (
    text: string,
    changes: { viewer?: string; isTest?: boolean; amountMinor?: number } = {},
  ): Promise<string> => {
    const sample = sampleEvent('tip', 'everyday', Date.now())
    const { viewer = `v-${number}`, isTest = false, amountMinor = 500 } = changes
    const incoming = {
      ...sample,
      source: 'feed:x',
      externalId: `tip-${number++}`,
      isTest,
      data: { ...sample.data, viewer: { id: viewer, name: viewer }, amountMinor, message: { text } },
    } as IncomingEvent
    const [kept] = await keepDecided(handle.db, [
      decideEvents({
        channelId,
        onAir: await onAir.read(channelId),
        incoming: [incoming],
        onlyBoxId: null,
        feed: null,
        previous: [],
        pretended: null,
        nowMs: Date.now(),
      }),
    ])
    queues.enqueue(kept?.plays as EarnedPlay[])
    return kept?.plays[0]?.ticket.playId ?? ''
  }
  const speechOf = async (playId: string) => (await findPlay(handle.db, playId))?.speech ?? null
  const ready = async (playId: string) =>
    vi.waitFor(async () => expect((await speechOf(playId))?.state).toBe('ready'), 8000)
  return {
    onAir,
    logger,
    queues,
    shows,
    tip,
    speechOf,
    ready,
    ticket: (playId: string) => queues.find(boxId)!.state.line.find(playId)?.ticket,
  }
}
const free: SpeechSettings = {
  ...usualSettings,
  limits: { leastMinor: 0, whose: 'everyone', perViewer: 0, perViewerMinutes: 10, repeatMinutes: 0 },
}

beforeAll(async () => {
  handle = await openEmbedded(join(folder, 'database'), null)
  await migrate(handle, readMigrations())
  await addChannel(handle.db, {
    id: channelId,
    name: 'Lantern Loaf',
    locale: 'en-IE',
    timeZone: 'Europe/Lisbon',
    currency: 'EUR',
  })
  await addPerson(handle.db, {
    id: 'person-1',
    email: 'odalys@lantern-loaf.example',
    name: 'Odalys Fenn',
    passwordHash: 'x',
  })
  const document = plainBox(canvas, [alert])
  await addBox(handle.db, { id: boxId, channelId, name: 'Night counter', draft: document, sourceToken: 'src1' })
  await publishVersion(handle.db, {
    id: 'version-1',
    boxId,
    document,
    publishedAt: new Date(),
    publishedBy: 'person-1',
  })
})
afterAll(async () => {
  await handle.close()
  rmSync(folder, { recursive: true, force: true })
})
beforeEach(async () => {
  speak.mockReset()
  speak.mockImplementation(async ({ text }) => spoken(text))
  await setSpeech(handle.db, channelId, free)
})

describe('voices of plays', () => {
  it('speak ahead while the play waits: it is known what is read and how long it lasts, here and in the database', async () => {
    const { tip, ready, speechOf, shows, ticket } = await started()
    const playId = await tip('one two three four five six seven eight')
    await ready(playId)
    const speech = await speechOf(playId)
    expect(speech?.sayings?.map(({ of, text, outcome, durationMs }) => [of, text, outcome, durationMs])).toEqual([
      ['line', expect.stringContaining('left €5.00'), 'kept', expect.any(Number)],
      ['message', 'one two three four five six seven eight', 'kept', expect.any(Number)],
    ])
    const { score } = await shows.show(playId)
    const said = (speech?.sayings ?? []).reduce((sum, { durationMs }) => sum + (durationMs ?? 0), 0)
    expect(score.lengthMs).toBe(said + 350)
    await vi.waitFor(() => expect(ticket(playId)?.lengthMs).toBe(score.lengthMs))
    await vi.waitFor(async () => expect((await findPlay(handle.db, playId))?.lengthMs).toBe(score.lengthMs))
    expect(speak).toHaveBeenCalledTimes(2)
  })
  it('are left out where they are not ready when the play’s turn comes, for all sources alike, and it is said', async () => {
    const { tip, ready, speechOf, shows } = await started()
    const slow: (() => void)[] = []
    speak.mockImplementation(({ text }) => new Promise((resolve) => slow.push(() => resolve(spoken(text)))))
    const playId = await tip('a slow one')
    const first = await shows.show(playId)
    expect([first.score.parts.some(({ kind }) => kind === 'voice'), first.score.lengthMs]).toEqual([false, 1000])
    for (const say of slow) say()
    await ready(playId)
    expect((await speechOf(playId))?.note).toBe('The voice was not ready in time.')
    // Whoever joins late sees what the others see.
    expect(await shows.show(playId)).toEqual(first)
  })
  it('that break cost the voice, never the play', async () => {
    const { tip, ready, speechOf, shows, logger } = await started()
    speak.mockImplementation(async ({ text }) =>
      text.includes('left') ? spoken(text) : err('The voice program stopped.'),
    )
    const playId = await tip('broken words')
    await ready(playId)
    expect((await speechOf(playId))?.note).toBe('The voice program stopped.')
    expect((await shows.show(playId)).score.parts.find(({ kind }) => kind === 'voice')).toMatchObject({
      utterances: [{ of: 'line' }],
    })
    expect(logger.warn).toHaveBeenCalledWith(
      expect.objectContaining({ playId, reason: 'The voice program stopped.' }),
      expect.any(String),
    )
  })
  it('say nothing where reading aloud is off, where nothing is left, and of what is blocked', async () => {
    const { tip, ready, speechOf, onAir } = await started()
    const blocked = await tip('🔥\u200B bollocks')
    await ready(blocked)
    expect((await speechOf(blocked))?.sayings?.[1]).toMatchObject({ outcome: 'changed', text: '🔥' })
    const emptied = await tip('bollocks')
    await ready(emptied)
    expect((await speechOf(emptied))?.sayings?.[1]).toMatchObject({
      outcome: 'refused',
      reason: 'Nothing is left to be read.',
      durationMs: null,
    })
    await setSpeech(handle.db, channelId, { ...free, isOn: false })
    onAir.forget(channelId)
    const off = await tip('anybody?')
    await ready(off)
    expect((await speechOf(off))?.sayings?.map(({ reason }) => reason)).toEqual([
      'Reading aloud is switched off.',
      'Reading aloud is switched off.',
    ])
  })
  it('remember over a restart what was read: limits hold, and what was decided is not decided again', async () => {
    await setSpeech(handle.db, channelId, { ...free, limits: { ...free.limits, repeatMinutes: 5 } })
    const before = await started()
    const first = await before.tip('said only once')
    await before.ready(first)
    const after = await started()
    const again = await after.tip('Said only ONCE!')
    await after.ready(again)
    expect((await after.speechOf(again))?.sayings?.[1]?.reason).toMatch('The same was read')
    const test = await after.tip('said only once', { isTest: true })
    await after.ready(test)
    expect((await after.speechOf(test))?.sayings?.[1]?.reason).toBeNull()
    // Shown again by another process: as it was decided.
    expect((await after.shows.show(first)).score.parts.find(({ kind }) => kind === 'voice')).toMatchObject({
      utterances: [{ of: 'line' }, { of: 'message' }],
    })
  })
})

describe('switching all voices off and on', () => {
  it('what waits is not read any more, and is again', async () => {
    const { tip, ready, speechOf, shows, queues, onAir } = await started()
    const playId = await tip('on or off')
    await ready(playId)
    const hears = async () => (await shows.show(playId)).score.parts.some(({ kind }) => kind === 'voice')
    expect(await hears()).toBe(true)
    const turn = async (isOn: boolean) => {
      await setSpeech(handle.db, channelId, { ...free, isOn })
      onAir.forget(channelId)
      await queues.act(boxId, { do: 'switchVoices', isOn, by: 'tallowmoth' })
      await vi.waitFor(
        async () => expect((await speechOf(playId))?.note).toBe(isOn ? null : 'Reading aloud is switched off.'),
        8000,
      )
    }
    await turn(false)
    expect(await hears()).toBe(false)
    await turn(true)
    expect(await hears()).toBe(true)
  })
})

describe('what somebody has to let be read', () => {
  beforeEach(async () => setSpeech(handle.db, channelId, { ...free, approvesMessages: true }))

  it('waits aside, over a restart too; a test does not', async () => {
    const { tip, ready, ticket } = await started()
    const playId = await tip('may I be read')
    expect(ticket(playId)?.isAwaiting).toBe(true)
    expect((await findPlay(handle.db, playId))?.approval).toBe('awaiting')
    await ready(playId)
    expect(ticket(await tip('a test', { isTest: true }))?.isAwaiting).toBe(false)
    expect((await started()).ticket(playId)?.isAwaiting).toBe(true)
  })
  it('is read once it is let through; withheld, only the line is, and the alert is as long as that', async () => {
    const { tip, ready, queues, shows, ticket } = await started()
    const playId = await tip('a rather long message that takes its time to be read aloud')
    await ready(playId)
    const { lengthMs: whole } = (await shows.show(playId)).score
    expect(await queues.setVoice(boxId, playId, false, { by: 'tallowmoth' })).toBe('done')
    const row = await findPlay(handle.db, playId)
    expect([row?.approval, row?.speech?.verdict, ticket(playId)?.isAwaiting]).toEqual([
      'withheld',
      'Not read: tallowmoth said so.',
      false,
    ])
    const { score } = await shows.show(playId)
    expect(score.parts.find(({ kind }) => kind === 'voice')).toMatchObject({ utterances: [{ of: 'line' }] })
    expect(score.lengthMs).toBeLessThan(whole)
    expect(await queues.setVoice(boxId, playId, true, { by: 'tallowmoth' })).toBe('done')
    expect((await shows.show(playId)).score.lengthMs).toBe(whole)
  })
  it('is not waited for where nothing of it is read', async () => {
    const { tip, ready, ticket } = await started()
    const playId = await tip('bollocks')
    await ready(playId)
    expect([ticket(playId)?.isAwaiting, (await findPlay(handle.db, playId))?.approval]).toEqual([false, 'none'])
  })
  it('withheld while its voice is still speaking, it is not read all the same', async () => {
    const { tip, ready, queues, shows } = await started()
    let say: () => void = () => undefined
    speak.mockImplementation(({ text }) =>
      text.includes('left')
        ? Promise.resolve(spoken(text))
        : new Promise((resolve) => (say = () => resolve(spoken(text)))),
    )
    const playId = await tip('nobody wants to hear this')
    await vi.waitFor(() => expect(speak).toHaveBeenCalledTimes(2), 8000)
    await queues.setVoice(boxId, playId, false, { by: 'tallowmoth' })
    say()
    await ready(playId)
    expect((await shows.show(playId)).score.parts.find(({ kind }) => kind === 'voice')).toMatchObject({
      utterances: [{ of: 'line' }],
    })
    // Whoever was still speaking did not write over what was said.
    expect((await findPlay(handle.db, playId))?.speech?.verdict).toBe('Not read: tallowmoth said so.')
  })
  it('said before anything was decided, it holds as well', async () => {
    const { queues, shows, tip, ready, speechOf } = await started()
    const playId = await tip('decided too soon')
    await queues.setVoice(boxId, playId, false, { by: 'tallowmoth' })
    await ready(playId)
    expect([(await speechOf(playId))?.sayings?.length, (await speechOf(playId))?.verdict]).toEqual([
      2,
      'Not read: tallowmoth said so.',
    ])
    expect((await shows.show(playId)).score.parts.find(({ kind }) => kind === 'voice')).toMatchObject({
      utterances: [{ of: 'line' }],
    })
  })
  it('is not said to be unread once it was heard: what comes as the play ends changes nothing', async () => {
    const { tip, ready, queues } = await started()
    const playId = await tip('heard to the end')
    await ready(playId)
    await queues.setVoice(boxId, playId, true, { by: 'tallowmoth' })
    const runtime = queues.find(boxId)!
    for (const { playId: other } of waitingIn(runtime.state))
      if (other !== playId)
        runtime.input({ type: 'removed', playId: other, outcome: 'skipped', reason: 'not asked for' })
    runtime.input({ type: 'sourceJoined', sourceId: 'a', shownPlayIds: [] })
    await vi.waitFor(() => expect(runtime.state.current?.ticket.playId).toBe(playId), 8000)
    for (const progress of ['ready', 'started', 'done'] as const)
      runtime.input({ type: 'sourceProgress', sourceId: 'a', playId, progress })
    // What arrives together is looked at together, in the next turn.
    await vi.waitFor(() => expect(runtime.state.current).toBeNull())
    expect(await queues.setVoice(boxId, playId, false, { by: 'tallowmoth' })).toBe('over')
    await runtime.settled()
    const row = await findPlay(handle.db, playId)
    expect([row?.outcome, row?.approval, row?.speech?.verdict ?? null]).toEqual(['played', 'given', null])
  })
  it('is of its own box only', async () => {
    const { tip, queues } = await started()
    expect(await queues.setVoice('another-box', await tip('hello'), true, { by: 'x' })).toBe('unknown')
    expect(await queues.setVoice(boxId, 'no-play', true, { by: 'x' })).toBe('unknown')
  })
})
