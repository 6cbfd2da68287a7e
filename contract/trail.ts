import * as z from 'zod'
import { actWords, type DeskAct } from './acts.ts'

/** What people do to a channel, each as a sentence goes on behind a name; `…` stands for what it was done to. */
export const deedWords = {
  putOnAir: 'put … on air',
  madeBox: 'made the box …',
  putAway: 'put … away',
  broughtBack: 'brought … back',
  movedAlerts: 'moved alerts to …',
  replacedAddress: 'replaced the address of …',
  invited: 'invited …',
  tookBackInvitation: 'took back the invitation of …',
  joined: 'joined …',
  gaveRole: 'changed what … may do',
  tookOut: 'took … out of the channel',
  left: 'left the channel',
  madeKey: 'made the key …',
  endedKey: 'ended the key …',
  changedSettings: 'changed the channel’s settings',
  changedRates: 'changed what currencies are worth',
  changedSpeech: 'changed how the channel reads aloud',
  changedTriggers: 'changed what viewers can set off: …',
  changedTipPage: 'changed the tip page',
  linkedFeed: 'linked the account …',
  unlinkedFeed: 'unlinked the account …',
  sawSecret: 'looked at the secret of …',
  gaveBack: 'gave back …',
  broughtHistory: 'brought a history back',
  tookBackup: 'took a backup',
  restored: 'restored the channel from a backup',
  forgotViewer: 'forgot a viewer',
  changedKeeping: 'changed how long things are kept',
  cleanedUp: 'cleaned up …',
} as const
export type Deed = keyof typeof deedWords

const everything: Readonly<Record<string, string>> = { ...deedWords, ...actWords }

/** What somebody did, as it goes on behind their name. */
export const didWords = (did: Deed | DeskAct, about: string): string =>
  (everything[did] ?? did).replace('…', about || 'something')

/** What the trail can be narrowed down to. */
export const trailTopics = {
  air: ['putOnAir', 'madeBox', 'putAway', 'broughtBack', 'movedAlerts', 'replacedAddress'],
  people: [
    'invited',
    'tookBackInvitation',
    'joined',
    'gaveRole',
    'tookOut',
    'left',
    'madeKey',
    'endedKey',
    'sawSecret',
  ],
  settings: [
    ...['changedSettings', 'changedRates', 'changedSpeech', 'changedTriggers', 'changedTipPage'],
    ...['linkedFeed', 'unlinkedFeed', 'changedKeeping'],
  ],
  data: ['gaveBack', 'broughtHistory', 'tookBackup', 'restored', 'forgotViewer', 'cleanedUp'],
  desk: Object.keys(actWords),
} as const satisfies Record<string, readonly string[]>
export type TrailTopic = keyof typeof trailTopics
const topics = Object.keys(trailTopics) as TrailTopic[]

export const trailPageMost = 200
export const trailQuery = z.object({
  topic: z.enum(topics).optional(),
  by: z.string().trim().min(1).max(200).optional(),
  /** Days of the channel's calendar, both included. */
  from: z.iso.date().optional(),
  until: z.iso.date().optional(),
  /** Where to go on: what the page before said. */
  before: z.string().max(60).optional(),
  limit: z.coerce.number().int().min(1).max(trailPageMost).default(50),
  as: z.enum(['json', 'csv']).default('json'),
})

export interface TrailEntry {
  id: string
  atMs: number
  by: string
  did: Deed | DeskAct
  about: string
  detail: string
}

/** Newest first. */
export interface TrailView {
  entries: TrailEntry[]
  nextBefore: string | null
  /** Whoever did something here, by name. */
  people: string[]
}
