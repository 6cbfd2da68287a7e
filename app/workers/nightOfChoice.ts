import { readCloudEvent } from '../../contract/cloudEvent.ts'
import type { NightChannel } from '../../contract/nights.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { makeNight } from '../../core/rehearsal/makeNight.ts'
import type { NightEvent } from '../../core/rehearsal/night.ts'
import { dialledNight, inputsFor, longQueue, type NightPlace } from '../../core/rehearsal/readyNights.ts'
import type { NightChoice } from './rehearsalTalk.ts'

/** What happens in a night that somebody chose. @throws with the line of a file that does not fit */
export function eventsOf(
  choice: NightChoice,
  channel: NightChannel,
  onTold: (words: string, share: number) => void,
): (NightEvent & { isTest?: boolean })[] {
  if (choice.is === 'file') return linesOf(choice.text, onTold)
  const place = placeOf(choice.beginMs, channel)
  const made = choice.is === 'dials' ? dialledNight(choice.dials, place) : longQueue(place)
  return makeNight(made).map((event) => ({ event, atMs: event.occurredAtMs }))
}

/** Where a made-up night happens: what the channel's viewers redeem and type in it are its own triggers. */
function placeOf(beginMs: number, { currency, platforms, triggers, calls }: NightChannel): NightPlace {
  const [first = 'feed:made-up', ...others] = Object.keys(platforms)
  const starts = triggers.flatMap(({ isArmed, starts: own, gate }) =>
    isArmed ? own.map((start) => ({ start, costPoints: gate.cost, inputs: inputsFor(gate.asked) })) : [],
  )
  const rewards = starts.flatMap(({ start, costPoints, inputs }) =>
    start.by === 'reward' ? [{ id: start.rewardId, title: start.title, costPoints, inputs, source: start.source }] : [],
  )
  const commands = starts.flatMap(({ start }) => (start.by === 'command' ? [`${calls.prefix}${start.word}`] : []))
  return { beginMs, currency, sources: [first, ...others], rewards, commands }
}

function linesOf(text: string, onTold: (words: string, share: number) => void): (NightEvent & { isTest: boolean })[] {
  const lines = text.split('\n')
  return lines.flatMap((line, at) => {
    if (at % 1_000 === 0) onTold('Reading the file', at / lines.length)
    if (line.trim() === '') return []
    const fault = (words: string) => new Error(`Line ${at + 1}: ${words}.`)
    let raw: unknown
    try {
      raw = JSON.parse(line)
    } catch {
      throw fault('it is no CloudEvent in JSON. A night is a file with one on each line, as History saves it')
    }
    const read = readCloudEvent(raw)
    if (!read.ok) throw fault(`${read.error[0]?.path} ${read.error[0]?.message}`)
    const { occurredAtMs, receivedAtMs, isTest, ...of } = read.value
    if (occurredAtMs === null) throw fault('it does not say when it happened')
    // Its kind and its data were checked against each other.
    return [{ event: { ...of, occurredAtMs } as CanonicalEvent, atMs: receivedAtMs ?? occurredAtMs, isTest }]
  })
}
