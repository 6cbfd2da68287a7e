// A night played through a box: deciding about every event, playing them under a policy, making figures of it, and looking for
// advice; beside it, as a peer, the bare simulation of a single line that knows neither rules nor policy.
import { readyPolicy, type BoxPolicy } from '../core/queue/policy.ts'
import { advise, changesFor } from '../core/rehearsal/advise.ts'
import { decideNight, lengthsOf, type DecidedEvent } from '../core/rehearsal/decideNight.ts'
import { figuresOf, judgedBy } from '../core/rehearsal/figures.ts'
import { makeNight } from '../core/rehearsal/makeNight.ts'
import { nightOf, type Night } from '../core/rehearsal/night.ts'
import { itemsOf } from '../core/rehearsal/itemsOf.ts'
import { nothingCalled } from '../core/rehearsal/rehearsedCall.ts'
import { playNight, type PlayedNight } from '../core/rehearsal/playNight.ts'
import { dialledNight, inputsFor, longQueue, usualDials } from '../core/rehearsal/readyNights.ts'
import { rehearse } from '../core/rehearsal/rehearse.ts'
import { studioNamedBy } from '../core/rehearsal/rehearsedStudio.ts'
import type { ChannelOnAir } from '../core/response/channelOnAir.ts'
import { historyKindsOf } from '../core/rules/historyKinds.ts'
import { usualSettings } from '../core/speech/settings.ts'
import { usualCalls } from '../core/triggers/settings.ts'
import { demoBoxes, demoChannel } from '../demo/scenario.ts'
import { demoCalls, demoTriggers } from '../demo/triggers.ts'
import { ms, report, type Measured } from './report.ts'

const place = { beginMs: Date.UTC(2026, 10, 24, 22), currency: 'EUR', sources: ['feed:alder', 'feed:cedar'] }
const hours = 12
/** So much an hour that 100,000 come in twelve. */
const crowd = { ...usualDials, hours, follows: 6_000, tips: 800, subscriptions: 900, redemptions: 600, raids: 6 }
const nights: [string, Night][] = [
  [
    'the night of the long queue',
    nightOf(makeNight(longQueue(place)).map((event) => ({ event, atMs: event.occurredAtMs }))),
  ],
  [
    'twelve hours of a crowd',
    nightOf(makeNight(dialledNight(crowd, place)).map((event) => ({ event, atMs: event.occurredAtMs }))),
  ],
]
const media = (file: string) => file.padEnd(64, '0')
const boxes = demoBoxes(media)
const triggers = demoTriggers(media)
const [counter] = boxes
if (!counter) throw new Error('The demo has no box.')
const { document } = counter
const channel: ChannelOnAir = {
  ...{
    ...demoChannel,
    rates: {},
    ...{ platforms: {}, weekStart: 1, pageColours: null },
    historyKinds: historyKindsOf([document]),
    boxes: [],
    boards: [],
    media: {},
  },
  ...{ speech: usualSettings, flags: () => false, triggers: [], calls: usualCalls, goals: { basis: 0, counted: [] } },
}
const partOf = (decided: readonly DecidedEvent[], played: PlayedNight) => ({
  items: itemsOf('', decided, nothingCalled),
  played,
})
function timed<T>(work: () => T): [T, number] {
  const fromMs = performance.now()
  return [work(), performance.now() - fromMs]
}
/** One line, one length, no rules: what a spreadsheet would say. */
function bare(decided: readonly DecidedEvent[]): number {
  let freeMs = 0
  let worstMs = 0
  for (const { arrival } of decided)
    if (arrival) {
      const fromMs = Math.max(freeMs, arrival.atMs)
      worstMs = Math.max(worstMs, fromMs - arrival.atMs)
      freeMs = fromMs + arrival.ticket.lengthMs + 400
    }
  return worstMs
}

const measured: Measured[] = []
for (const [name, night] of nights) {
  const box = { boxId: 'box', version: { id: 'version', document } }
  const [decided, decideMs] = timed(() => decideNight(night, channel, box))
  const lengthOf = lengthsOf(night, channel, document)
  const of = { timeZone: 'UTC', lengthOf }
  const [played, playMs] = timed(() => playNight(decided, readyPolicy(document.policy), of))
  const [figures, figuresMs] = timed(() => figuresOf(night, [partOf(decided, played)]))
  const inAll = decideMs + playMs + figuresMs
  measured.push({
    what: `${name}: ${night.events.length.toLocaleString('en')} events`,
    figures: {
      deciding: ms(decideMs),
      playing: ms(playMs),
      figures: ms(figuresMs),
      'in all': ms(inAll),
      'events a second': Math.round((night.events.length / inAll) * 1000).toLocaleString('en'),
      '19 of 20 wait': ms(figures.all.p95Ms),
      heap: `${Math.round(process.memoryUsage().heapUsed / 2 ** 20)} MiB`,
    },
  })
  const [worst, bareMs] = timed(() => bare(decided))
  measured.push({ what: `${name}: one bare line`, figures: { 'in all': ms(bareMs), 'longest wait': ms(worst) } })
}
const [, night] = nights[0] as [string, Night]
const [, warmMs] = timed(() => {
  const decided = decideNight(night, channel, { boxId: 'box', version: { id: 'version', document } })
  const of = { timeZone: 'UTC', lengthOf: lengthsOf(night, channel, document) }
  return figuresOf(night, [partOf(decided, playNight(decided, readyPolicy(document.policy), of))])
})
measured.push({
  what: 'the night of the long queue once more, warm',
  figures: {
    'in all': ms(warmMs),
    'events a second': Math.round((night.events.length / warmMs) * 1000).toLocaleString('en'),
  },
})
for (const [what, policy] of [
  ['no policy at all', []],
  [
    'a gap of 3 s and a third of the screen',
    [
      { rule: 'gap', isOn: true, ms: 3_000 },
      { rule: 'airtime', isOn: true, percent: 33 },
    ],
  ],
] satisfies [string, BoxPolicy][]) {
  const decided = decideNight(night, channel, { boxId: 'box', version: { id: 'version', document } })
  const of = { timeZone: 'UTC', lengthOf: lengthsOf(night, channel, document) }
  const [advice, tookMs] = timed(() =>
    advise(policy, changesFor(policy, decided), 5_000, (tried) =>
      judgedBy(figuresOf(night, [partOf(decided, playNight(decided, readyPolicy(tried), of))])),
    ),
  )
  measured.push({
    what: `advice for ${what}, under 5 s`,
    figures: {
      'in all': ms(tookMs),
      'policies tried': advice.tried,
      '19 of 20 waited': ms(advice.now.p95Ms),
      '19 of 20 wait': ms(advice.steps.at(-1)?.after.p95Ms ?? advice.now.p95Ms),
      sentences: advice.steps.length,
    },
  })
}
const asked = triggers.flatMap((each) => each.starts.map((start) => ({ start, inputs: inputsFor(each.gate.asked) })))
const rewards = asked.flatMap(({ start, inputs }) =>
  start.by === 'reward'
    ? [{ id: start.rewardId, title: start.title, costPoints: 1, source: start.source, inputs }]
    : [],
)
const commands = asked.flatMap(({ start }) => (start.by === 'command' ? [`!${start.word}`] : []))
for (const [what, dials] of [
  ['three hours', usualDials],
  ['six hours of a keen channel', { ...usualDials, hours: 6, redemptions: 300, commands: 300 }],
] as const) {
  const made = makeNight(dialledNight(dials, { ...place, rewards, commands }))
  const busy = nightOf(made.map((event) => ({ event, atMs: event.occurredAtMs })))
  const side = {
    boxes: boxes.map(({ id, document: of }) => ({ boxId: id, document: of, policy: of.policy, isPlayed: true })),
  }
  const wish = { studio: studioNamedBy(triggers), startPoints: 1_000 }
  const of = { ...channel, triggers, calls: demoCalls }
  const [first, firstMs] = timed(() => rehearse(busy, side, of, wish))
  const [, againMs] = timed(() => rehearse(busy, side, of, wish, [first]))
  measured.push({
    what: `${what}, all boxes, with what viewers set off: ${busy.events.length.toLocaleString('en')} events`,
    figures: {
      'in all': ms(firstMs),
      'events a second': Math.round((busy.events.length / firstMs) * 1000).toLocaleString('en'),
      'set off': first.played.calls.calls.length,
      refused: first.played.calls.calls.filter(({ end }) => end === 'refused').length,
      'under another policy': ms(againMs),
    },
  })
}
report('rehearse', measured)
