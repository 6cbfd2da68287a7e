import { describeEvent } from '../../core/events/describeEvent.ts'
import { soundAlone } from '../../core/response/calledPlay.ts'
import { advise, changesFor } from '../../core/rehearsal/advise.ts'
import { burstsOf } from '../../core/rehearsal/bursts.ts'
import { placeOfPlay, playIdOf } from '../../core/rehearsal/decideNight.ts'
import { figuresOf, judgedBy, thinned } from '../../core/rehearsal/figures.ts'
import { nearestTo, nightOf, type Night } from '../../core/rehearsal/night.ts'
import {
  figuresUnder,
  rehearse,
  scoreOfPlay,
  type Rehearsed,
  type RehearsedChannel,
  type Side,
} from '../../core/rehearsal/rehearse.ts'
import { eventsOf } from './nightOfChoice.ts'
import type {
  CameRow,
  Looked,
  LookedSide,
  ProgrammePlay,
  RehearsalAnswer,
  RehearsalQuestion,
  SideFigures,
  ViewerRow,
} from './rehearsalTalk.ts'

/** More dots than that nobody tells apart. */
const dotsMost = 900
const viewersMost = 200
/** So many of what came last are told. */
const cameMost = 7
const tell = (answer: RehearsalAnswer) => self.postMessage(answer)

let night: Night = nightOf([])
let channel: RehearsedChannel | null = null
let sides: { a: Rehearsed; b: Rehearsed; wish: string } | null = null

self.addEventListener('message', ({ data }: MessageEvent<RehearsalQuestion>) => {
  try {
    answer(data)
  } catch (error) {
    tell({ told: 'refused', reason: error instanceof Error ? error.message : 'The night cannot be rehearsed.' })
  }
})

function answer(question: RehearsalQuestion): void {
  switch (question.ask) {
    case 'night': {
      sides = null
      channel = { ...question.channel, flags: () => false }
      night = nightOf(
        eventsOf(question.night, question.channel, (words, share) => tell({ told: 'progress', words, share })),
      )
      const { events, fromMs, untilMs, repeated, tests } = night
      return tell({ told: 'night', night: { count: events.length, fromMs, untilMs, repeated, tests } })
    }
    case 'sides':
      return compare(question)
    case 'advice':
      return sides ? adviseFor(sides.b, question.boxId, question.targetMs) : undefined
    case 'look':
      return tell({ told: 'looked', looked: lookAt(question.at) })
    case 'lookNear':
      return tell({ told: 'looked', looked: lookAt(nearestTo(night, question.atMs)) })
    case 'programme':
      return sides ? tellProgramme(sides.b) : undefined
    case 'score': {
      const { boxId, playId } = question
      return tell({ told: 'score', boxId, playId, score: sides && scoreOf(sides.b, boxId, playId) })
    }
    case 'came':
      return tell({ told: 'came', came: cameBefore(question.atMs) })
  }
}

function compare({ a, b, wish }: Extract<RehearsalQuestion, { ask: 'sides' }>): void {
  if (!channel) return
  const own = channel
  const beganMs = performance.now()
  const wished = JSON.stringify(wish)
  const before = sides?.wish === wished ? [sides.a, sides.b] : []
  const under = (side: Side, known: readonly Rehearsed[], words: string) =>
    rehearse(night, side, own, wish, known, (share) => tell({ told: 'progress', words, share }))
  const first = under(a, before, 'Deciding about each event')
  const second = under(b, [first, ...before], 'Deciding once more, as the draft would')
  sides = { a: first, b: second, wish: wished }
  tell({
    told: 'figures',
    ...{ a: figuresFor(first), b: figuresFor(second), viewerCount: second.viewers.length },
    viewers: viewerRows(first, second),
    tookMs: performance.now() - beganMs,
  })
}

function figuresFor({ figures, loudest, targetLufs, triggers, boxes, parts }: Rehearsed): SideFigures {
  const byBox = boxes.flatMap(({ boxId }, at) => {
    const part = parts[at]
    if (!part || boxes.length === 1) return []
    const { all, counts } = figuresOf(night, [part])
    return [{ boxId, p95Ms: all.p95Ms, worstMs: all.worstMs, shown: counts.shown }]
  })
  return { ...figures, late: thinned(figures.late, dotsMost), loudest, targetLufs, triggers, boxes: byBox }
}

function viewerRows(a: Rehearsed, b: Rehearsed): ViewerRow[] {
  const before = new Map(a.viewers.map(({ viewerId, longestMs }) => [viewerId, longestMs]))
  return b.viewers.slice(0, viewersMost).map(({ viewerId, name, shown, unshown, longestMs, longestAt }) => ({
    ...{ viewerId, name, shown, unshown, bLongestMs: longestMs, at: longestAt },
    aLongestMs: before.get(viewerId) ?? 0,
  }))
}

function adviseFor(rehearsed: Rehearsed, boxId: string, targetMs: number): void {
  const beganMs = performance.now()
  const policy = rehearsed.side.boxes.find((each) => each.boxId === boxId)?.policy ?? []
  const decided = rehearsed.boxes.find((each) => each.boxId === boxId)?.decided ?? []
  const advice = advise(
    policy,
    changesFor(policy, decided),
    targetMs,
    (tried) => judgedBy(figuresUnder(rehearsed, boxId, tried)),
    (tried, most) =>
      tell({ told: 'progress', words: `Trying policies, ${tried} of at most ${most}`, share: tried / most }),
  )
  tell({ told: 'advice', boxId, advice, tookMs: performance.now() - beganMs })
}

/** What of an event stands in the line of a box: what it decided, else what a sheet plays for it there. */
function playAt({ boxes, played }: Rehearsed, boxId: string, at: number): string | null {
  const decided = boxes.find((each) => each.boxId === boxId)?.decided[at]
  if (decided?.arrival) return playIdOf(at)
  const sheet = [...played.calls.plays].find(([, play]) => play.at === at && play.boxId === boxId)
  return sheet?.[0] ?? null
}

function lookAt(at: number): Looked | null {
  const found = night.events[at]
  if (!found || !sides || !channel) return null
  const { event, atMs } = found
  const { b } = sides
  const boxId = (b.boxes.find((each) => playAt(b, each.boxId, at) !== null) ?? b.boxes[0])?.boxId ?? ''
  const sideOf = (side: Rehearsed): LookedSide => {
    const decided = side.boxes.find((each) => each.boxId === boxId)?.decided[at]
    const played = side.played.boxes.get(boxId)
    const playId = playAt(side, boxId, at) ?? ''
    const end = played?.ends.get(playId)
    const shown = played?.shown.get(end?.into ?? playId)
    return {
      ...{ decided: decided?.decided ?? '', why: decided?.why ?? null },
      outcome: end?.outcome ?? decided?.settled?.outcome ?? null,
      reason: end?.reason ?? decided?.settled?.reason ?? '',
      lateMs: shown ? Math.max(0, shown.fromMs - atMs) : null,
      calls: side.played.calls.calls.filter((each) => each.at === at),
    }
  }
  const playId = playAt(b, boxId, at)
  const own = playId === null ? undefined : b.played.boxes.get(boxId)?.shown.get(playId)
  const unshown = { playId: playId ?? '', fromMs: atMs, untilMs: atMs, isShort: false, isBeside: false }
  const { name, detail } = describeEvent(event, channel.locale)
  return {
    ...{ at, kind: event.kind, atMs, name, detail, boxId, a: sideOf(sides.a), b: sideOf(b) },
    score: playId === null ? null : scoreOfPlay(b, boxId, own ?? unshown),
  }
}

const soundPrefix = 'sound-'

function tellProgramme(rehearsed: Rehearsed): void {
  const { boxes, played } = rehearsed
  const plays = boxes.flatMap(({ boxId }): ProgrammePlay[] => {
    const of = played.boxes.get(boxId)
    return [...(of?.shown.values() ?? [])].map(({ playId, fromMs, untilMs, isBeside, together }) => {
      const sheet = played.calls.plays.get(playId)
      const event = night.events[sheet ? (sheet.at ?? -1) : placeOfPlay(playId)]
      return {
        ...{ boxId, playId, fromMs, untilMs, isBeside, kind: event?.event.kind ?? null },
        name: event?.event.data.viewer?.name ?? '',
        others: (together?.count ?? 1) - 1,
        lateMs: event ? Math.max(0, fromMs - event.atMs) : 0,
      }
    })
  })
  const sounds = played.calls.sounds.map(({ boxId, fromMs, untilMs }, at): ProgrammePlay => ({
    ...{ boxId, playId: `${soundPrefix}${at}`, fromMs, untilMs, isBeside: true, name: '', kind: null },
    ...{ others: 0, lateMs: 0 },
  }))
  tell({
    told: 'programme',
    programme: {
      fromMs: night.fromMs,
      overAtMs: Math.max(night.untilMs, rehearsed.figures.overAtMs),
      plays: [...plays, ...sounds].sort((x, y) => x.fromMs - y.fromMs),
      waiting: Object.fromEntries([...played.boxes].map(([boxId, { waiting }]) => [boxId, waiting])),
      ...{ studio: played.studio, said: played.calls.said, bursts: burstsOf(night) },
    },
  })
}

function scoreOf(rehearsed: Rehearsed, boxId: string, playId: string) {
  if (playId.startsWith(soundPrefix)) {
    const sound = rehearsed.played.calls.sounds[Number(playId.slice(soundPrefix.length))]
    const [first] = night.events
    return sound && first ? soundAlone(sound, first.event, rehearsed.channel, sound.fromMs) : null
  }
  const shown = rehearsed.played.boxes.get(boxId)?.shown.get(playId)
  return shown ? scoreOfPlay(rehearsed, boxId, shown) : null
}

function cameBefore(atMs: number): CameRow[] {
  const { locale = 'en' } = channel ?? {}
  const nearest = nearestTo(night, atMs)
  const last = (night.events[nearest]?.atMs ?? Infinity) <= atMs ? nearest : nearest - 1
  return Array.from({ length: cameMost }, (_, back) => last - back).flatMap((at) => {
    const of = night.events[at]
    return of ? [{ at, atMs: of.atMs, kind: of.event.kind, ...describeEvent(of.event, locale) }] : []
  })
}
