import type { SourceView } from '../../contract/views.ts'
import { Clicks } from './clicks.ts'
import type { SponsorsPort } from './port.ts'
import { SponsorKeeper, type SponsorKeeperDependencies } from './sponsorKeeper.ts'

interface SponsorsOptions extends Pick<SponsorKeeperDependencies, 'db' | 'now' | 'onAir' | 'goUrl' | 'onError'> {
  neighbours: { sourcesOf: (boxId: string) => readonly Pick<SourceView, 'id'>[] }
  ingest: Pick<SponsorKeeperDependencies, 'accept'>
  boards: { changedOf: (channelId: string, of: 'sponsor') => void }
  /** What this process carries out. */
  calls: { opened: () => string[] }
  stream: { changed: (channelId: string, topic: 'sponsors') => void }
}

const everyMs = 5_000

/** Sponsors' turns, and what comes of them. */
export function startSponsors({ neighbours, ingest, boards, calls, stream, ...options }: SponsorsOptions) {
  const sponsors = new SponsorKeeper({
    ...options,
    countSources: (boxId) => neighbours.sourcesOf(boxId).length,
    accept: (channelId, incoming) => ingest.accept(channelId, incoming),
    onLine: (channelId) => boards.changedOf(channelId, 'sponsor'),
    onFigures: (channelId) => stream.changed(channelId, 'sponsors'),
  })
  const clicks = new Clicks(options.db, options.now, (channelId) => stream.changed(channelId, 'sponsors'))
  const timer = setInterval(() => void sponsors.look(calls.opened()), everyMs)
  timer.unref()
  const port: SponsorsPort = { sponsors, clicks, goUrl: options.goUrl }
  return { port, close: () => clearInterval(timer) }
}
