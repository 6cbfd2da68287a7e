import { sharedArea } from '../composition/canvasBox.ts'
import { readingMs } from '../score/parts/message/readingMs.ts'
import { isSeenPart, isTextPart, type ResolvedVisiblePart } from '../score/resolved.ts'
import { arrivedAfterMs } from '../motion/lettersAt.ts'
import { scrollNeedsMs } from '../text/evaluateText.ts'
import { inSeconds, nameOf, ownerOf, type Remark, type RemarkContext } from './remark.ts'
import { restingBox } from './restingBox.ts'
import { standsOnNothing } from './standsOnNothing.ts'

/** Nobody reads to the quarter of a second: how long reading takes is about so much. */
const hurriedFromMs = 250
const longMs = 15_000
const shortMs = 2000
/** A sound may end so much after what is seen without anybody noticing. */
const soundGraceMs = 250
/** A sound that covers at least so much of what is seen is meant to last as long; a shorter one is an accent. */
const meantToMatchRatio = 0.5
const matchGraceMs = 500

/** Letters that are made to come in time are done after this share of it. */
const paceReserve = 0.8

/** A message that stays so much longer than it takes to be read is not why an alert is long. */
const readGraceMs = 1000
const phasesMs = ({ entrance, exit }: ResolvedVisiblePart) => entrance.ms + exit.ms

/** The whole is too long to hold a screen, or too short to be read. */
export function lengthRemarks({ score, messageText }: RemarkContext): Remark[] {
  if (score.parts.length === 0) return []
  // What a viewer wrote takes its time, read aloud by a voice or silently by whoever watches.
  const isRead = score.parts.some(
    (part) =>
      (part.kind === 'voice' && part.endMs >= longMs) ||
      (part.kind === 'message' && part.endMs - part.startMs <= readingMs(messageText) + phasesMs(part) + readGraceMs),
  )
  if (score.lengthMs > longMs && !isRead)
    return [
      {
        type: 'tooLong',
        partId: null,
        level: 'advice',
        words: `${inSeconds(score.lengthMs)} hold the screen for long; six to ten seconds are usual.`,
        remedy: { type: 'setLength', ms: 10_000, label: 'Make it 10 s' },
      },
    ]
  if (score.lengthMs < shortMs)
    return [
      {
        type: 'tooShort',
        partId: null,
        level: 'wrong',
        words: `${inSeconds(score.lengthMs)} are too short to be read.`,
        remedy: { type: 'setLength', ms: 6000, label: 'Make it 6 s' },
      },
    ]
  return []
}

/** Words that come while a picture is still on its way in, in the same place. */
export function entranceRemarks(context: RemarkContext): Remark[] {
  const { score, layouts } = context
  const remarks: Remark[] = []
  for (const text of score.parts) {
    if (!isTextPart(text)) continue
    const textBox = restingBox(score, layouts, text)
    if (!textBox) continue
    for (const picture of score.parts) {
      if (picture.kind !== 'picture' && picture.kind !== 'shape') continue
      const enteredMs = picture.startMs + picture.entrance.ms
      if (picture.entrance.motion === 'none' || text.startMs < picture.startMs || text.startMs >= enteredMs) continue
      const box = restingBox(score, layouts, picture)
      if (!box || sharedArea(textBox, box) === 0) continue
      remarks.push({
        type: 'textOverEntrance',
        partId: text.id,
        level: 'wrong',
        words: `“${nameOf(context, text.id)}” comes while “${nameOf(context, picture.id)}” is still moving in behind it.`,
        remedy: {
          type: 'startWhenEntered',
          partId: text.id,
          of: picture.id,
          label: `Start when ${nameOf(context, picture.id)} has entered`,
        },
      })
      break
    }
  }
  return remarks
}

/** Sound and picture end at different moments. */
export function soundLengthRemarks(context: RemarkContext): Remark[] {
  const { score } = context
  const seen = score.parts.filter(isSeenPart)
  if (seen.length === 0) return []
  const seenFromMs = Math.min(...seen.map((part) => part.startMs))
  const seenToMs = Math.max(...seen.map((part) => part.endMs))
  return score.parts.flatMap((part): Remark[] => {
    // What belongs to a picture ends with it.
    if (part.kind !== 'sound' || ownerOf(part.id) !== part.id) return []
    const name = nameOf(context, part.id)
    if (part.endMs > seenToMs + soundGraceMs) {
      return [
        {
          type: 'soundLonger',
          partId: part.id,
          level: 'wrong',
          words: `“${name}” is heard ${inSeconds(part.endMs - seenToMs)} longer than anything is seen.`,
          remedy: {
            type: 'holdUntilEnd',
            partIds: seen.filter((each) => each.endMs >= seenToMs - soundGraceMs).map((each) => each.id),
            maxMs: longMs,
            label: 'Stay as long as the sound',
          },
        },
      ]
    }
    const lengthMs = part.endMs - part.startMs
    const isMeantToMatch = lengthMs >= (seenToMs - seenFromMs) * meantToMatchRatio
    if (isMeantToMatch && part.endMs < seenToMs - matchGraceMs) {
      return [
        {
          type: 'soundShorter',
          partId: part.id,
          level: 'advice',
          words: `“${name}” ends ${inSeconds(seenToMs - part.endMs)} before the picture does.`,
          remedy: {
            type: 'setLength',
            ms: Math.max(shortMs, part.endMs),
            label: `End after ${inSeconds(Math.max(shortMs, part.endMs))}`,
          },
        },
      ]
    }
    return []
  })
}

/** What the solver had to give up: ends beyond the maximum, phases that did not fit. */
export function solverRemarks(context: RemarkContext): Remark[] {
  const { score, composition } = context
  return score.remarks
    .filter(({ partId }) => !standsOnNothing(context, partId))
    .map(({ type, partId }) => {
      const name = nameOf(context, partId)
      if (type === 'phasesShrunk')
        return {
          type,
          partId,
          level: 'advice',
          words: `“${name}” is too short for its entrance and exit; both were shortened.`,
          remedy: { type: 'lastUntilEnd', partId, label: 'Let it stay until the end' },
        }
      const kind = composition.parts.find((part) => part.id === partId)?.kind
      const isSound = kind === 'sound' || kind === 'voice'
      return {
        type,
        partId,
        level: 'wrong',
        words: isSound
          ? `“${name}” is cut off by the end of the alert and fades out.`
          : `“${name}” is cut off by the end of the alert before it has left.`,
        remedy:
          kind === 'voice'
            ? { type: 'waitForVoice', label: 'Let the alert wait for the voice' }
            : { type: 'fitContents', maxMs: longMs, label: 'Make the alert long enough' },
      }
    })
}

/**
 * Text that is not done when it goes: letters still arriving, a message that cannot be read so fast, a line not
 * scrolled through.
 */
export function textTimeRemarks(context: RemarkContext): Remark[] {
  const { score, layouts, messageText } = context
  const remarks: Remark[] = []
  for (const part of score.parts) {
    const layout = layouts.get(part.id)
    if (!isTextPart(part) || !layout || layout.lines.length === 0) continue
    const name = nameOf(context, part.id)
    const leavingMs = part.endMs - part.exit.ms - part.startMs
    if (part.letters && arrivedAfterMs(part.letters, layout.units.length) > leavingMs) {
      remarks.push({
        type: 'lettersUnfinished',
        partId: part.id,
        level: 'wrong',
        words: `“${name}” begins to leave before its last letter has come.`,
        remedy: {
          type: 'setPace',
          partId: part.id,
          staggerMs: Math.max(0, Math.floor(((leavingMs - part.letters.ms) / layout.units.length) * paceReserve)),
          label: 'Let the letters come faster',
        },
      })
    }
    if (scrollNeedsMs(part, layout) > leavingMs) {
      remarks.push({
        type: 'scrollUnfinished',
        partId: part.id,
        level: 'wrong',
        words: `“${name}” leaves before its end has scrolled into sight.`,
        remedy: { type: 'wrapText', partId: part.id, label: 'Break it into lines instead' },
      })
    }
    const stayMs = leavingMs - part.entrance.ms
    const neededMs = part.kind === 'message' ? readingMs(messageText) : 0
    if (neededMs - stayMs > hurriedFromMs) {
      remarks.push({
        type: 'messageHurried',
        partId: part.id,
        level: 'advice',
        words: `“${name}” stays ${inSeconds(Math.max(0, stayMs))}; reading it takes about ${inSeconds(neededMs)}.`,
        remedy: { type: 'fitContents', maxMs: longMs, label: 'Stay as long as reading takes' },
      })
    }
  }
  return remarks
}
