// npm run simulate -- FEED KIND|SCRIPT [--count N | --rate N --seconds S] [--set field=value] [--data DIR]
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { eventKinds, type EventKind } from '../core/events/kinds.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../core/events/schema.ts'
import { deliver, type DeliveryResult } from './deliver.ts'
import { platforms } from './platforms/platforms.ts'
import { played, scripts } from './scripts.ts'

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    count: { type: 'string', default: '1' },
    rate: { type: 'string' },
    seconds: { type: 'string', default: '5' },
    set: { type: 'string', multiple: true, default: [] },
    data: { type: 'string', default: process.env.THUNDERCREST_DATA ?? '.data' },
  },
})
const [feedName, what] = positionals

function stop(words: string): never {
  process.stderr.write(`${words}\n`)
  process.exit(2)
}

/** What can be asked for, feed by feed. */
function usage(): never {
  const lines = Object.entries(platforms).map(
    ([name, { kinds }]) =>
      `  ${name.padEnd(6)} ${kinds.join(' ')}\n         scripts: ${(scripts[name] ?? []).map(({ id }) => id).join(' ')}`,
  )
  return stop(
    `npm run simulate -- FEED KIND|SCRIPT [--count N | --rate N --seconds S] [--set field=value] [--data DIR]\n\n${lines.join('\n')}`,
  )
}

const platform = platforms[feedName ?? '']
if (!feedName || !platform || !what) usage()
const whole = (name: string, text: string, most: number) => {
  const number = Number(text)
  return Number.isInteger(number) && number >= 1 && number <= most
    ? number
    : stop(`--${name} is a whole number from 1 to ${most}`)
}

const file = await readFile(join(values.data, 'demo.json'), 'utf8').catch(() =>
  stop(`There is no demo.json in ${values.data}: start the demo first, or name its folder with --data.`),
)
const { url, feeds } = JSON.parse(file) as { url: string; feeds: { id: string; platform: string; secret: string }[] }
const feed = feeds.find((each) => each.platform === feedName) ?? stop(`The demo has no feed of ${feedName}.`)
const subscription = { url: `${url}/api/feeds/${feed.id}/deliveries`, secret: feed.secret }
const fields = Object.fromEntries(
  values.set.map((each) => [
    each.split('=')[0] ?? '',
    /^\d+$/.test(each.split('=')[1] ?? '') ? Number(each.split('=')[1]) : each.split('=').slice(1).join('='),
  ]),
)
const run = Date.now().toString(36)
const answers: DeliveryResult[] = []

async function send(event: CanonicalEvent, id: string): Promise<void> {
  const payload = platform?.say(event, id) ?? stop(`${event.kind} never happens on ${feedName}.`)
  const sent = deliver(
    subscription,
    payload,
    `cli-${run}-${answers.length}-${Math.random().toString(36).slice(2, 8)}`,
    Date.now(),
  )
  answers.push(await sent.catch(() => stop(`Nothing answers at ${url}. Is the demo running?`)))
}
function made(kind: EventKind, number: number): { event: CanonicalEvent; id: string } {
  const sample = sampleEvent(kind, 'everyday', Date.now())
  return {
    event: {
      ...sample,
      data: {
        ...sample.data,
        ...fields,
        viewer: sample.data.viewer && { ...sample.data.viewer, id: `cli-${run}-${number}` },
      },
    } as CanonicalEvent,
    id: `cli-${run}-${number}`,
  }
}

const startedMs = Date.now()
const kind = eventKinds.find((each) => each === what)
const script = scripts[feedName]?.find(({ id }) => id === what)
if (script) for (const { event, id } of played(script, run, Date.now())) await send(event, id)
else if (!kind) usage()
else if (values.rate) {
  // A flood: sent at the rate whatever the answers take, so that what waits is the server's to show.
  const [rate, seconds] = [whole('rate', values.rate, 2000), whole('seconds', values.seconds, 600)]
  const sent: Promise<void>[] = []
  for (let number = 0; number < rate * seconds; number++) {
    const dueMs = startedMs + (number * 1000) / rate
    if (dueMs > Date.now()) await new Promise((resolve) => setTimeout(resolve, dueMs - Date.now()))
    const { event, id } = made(kind, number)
    sent.push(send(event, id))
  }
  await Promise.all(sent)
} else {
  for (let number = 0; number < whole('count', values.count, 10_000); number++) {
    const { event, id } = made(kind, number)
    await send(event, id)
  }
}

const sum = (of: 'accepted' | 'repeated' | 'rejected') => answers.reduce((all, answer) => all + answer[of], 0)
const refused = answers.filter(({ status }) => status !== 202)
process.stdout.write(
  `${answers.length} deliveries in ${((Date.now() - startedMs) / 1000).toFixed(1)} s: ${sum('accepted')} accepted, ${sum('repeated')} repeats, ${sum('rejected')} not understood, ${refused.length} refused${refused[0] ? ` (${refused[0].status} ${refused[0].detail})` : ''}\n`,
)
process.exit(refused.length > 0 ? 1 : 0)
