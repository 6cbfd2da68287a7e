import * as z from 'zod'
import type { Refusal } from '../core/gate/askGate.ts'
import type { LaidStep } from '../core/sheet/laySheet.ts'
import { callSettings, type CallSettings } from '../core/triggers/settings.ts'
import type { PageColours } from '../core/tip/pageLook.ts'
import { trigger, type Trigger, type TriggerStart } from '../core/triggers/schema.ts'

/** How far a run is: asked for, waiting for its turn in a line or behind another run, running, or over. */
export type RunProgress = 'asked' | 'waiting' | 'running' | 'over'

/**
 * What became of a run:
 * - ran: its sheet was carried out
 * - refused: the gate said no, and nothing was taken
 * - released: it never began, and what was taken was given back
 * - stopped: it had begun, and somebody stopped it
 */
export const runEnds = ['ran', 'refused', 'released', 'stopped'] as const
export type RunEnd = (typeof runEnds)[number]

/** What somebody has to do by hand. */
export type RunTask = 'waiting' | 'fulfilled' | 'refunded'

/** A step of a sheet that was carried out. */
export interface DoneStep {
  index: number
  /** From the start of the run. */
  atMs: number
  /** Why it could not be done; empty where it was. */
  fault: string
}

export interface RunView {
  id: string
  triggerId: string
  triggerName: string
  by: TriggerStart['by']
  viewerName: string
  input: string
  progress: RunProgress
  end: RunEnd | null
  reason: string
  askedAtMs: number
  startedAtMs: number | null
  endedAtMs: number | null
  task: RunTask | null
  /** Of its sheet, what could not be done. */
  faults: string[]
}

export interface TriggerView {
  trigger: Trigger
  revision: number
  /** When it was set off last; null: never. */
  lastMs: number | null
  /** How many are left; null where there is no stock. */
  left: number | null
  /** Its sheet as it lies in time. */
  laid: LaidStep[]
  /** How long its sheet lasts, or why it cannot be planned. */
  lengthMs: number | null
  fault: string
  needsStudio: boolean
}

export interface TriggersView {
  triggers: TriggerView[]
  putAway: { id: string; name: string }[]
  settings: CallSettings
  /** The address of the list for viewers. */
  listUrl: string
  /** Simulated platforms, chat and studio answer on this server. */
  hasStandIns: boolean
}

/** A reward as its platform has it. */
export interface Reward {
  id: string
  title: string
  cost: number
  isPaused: boolean
  /** How many are left; null: no limit. */
  stock: number | null
  asksForInput: boolean
}

/** A reward with the feed on whose platform it is. */
export interface RewardView extends Reward {
  feedId: string
  feedName: string
  source: string
  /** The platform lets this program change it. */
  isChangeable: boolean
}

export const triggerBody = z.object({ name: z.string().trim().min(1).max(80) })
export const triggerChange = z.object({ trigger, revision: z.int().min(0) })
export const orderBody = z.object({ ids: z.array(z.string().max(60)).max(200) })
export const settingsBody = callSettings

const rewardFields = {
  title: z.string().trim().min(1).max(100),
  cost: z.int().min(1).max(1_000_000),
  isPaused: z.boolean(),
  stock: z.int().min(0).max(1_000_000).nullable(),
  asksForInput: z.boolean(),
}
export const rewardBody = z.object({ feedId: z.string().max(80), ...rewardFields })
export const rewardChange = z.object(rewardFields).partial()

/** Somebody presses a button or a key on the desk; the same request id twice is one press. */
export const pressBody = z.object({
  requestId: z.string().min(8).max(60),
  input: z.string().max(500).optional(),
})

/** Who tries a gate, and when: nothing is charged and nothing happens. */
export const tryBody = z.object({
  viewer: z.object({
    id: z.string().max(300),
    name: z.string().trim().min(1).max(100),
    roles: z.array(z.enum(['subscriber', 'vip', 'moderator'])).max(3),
    tier: z.int().min(1).max(3).nullable(),
    months: z.int().min(0).max(1000).nullable(),
    isFirstTime: z.boolean(),
    balance: z.int().min(0).max(1_000_000_000),
  }),
  input: z.string().max(2000),
  atMs: z.number().nullable(),
  scene: z.string().max(200).nullable(),
})
export interface TryAnswer {
  isAllowed: boolean
  reason: Refusal | null
  /** As it is said to whoever asks. */
  words: string
  /** What chat would be told; null: nothing. */
  said: string | null
  retryAtMs: number | null
}

/** A change of a viewer's points. `reference`: what it is for; of two with the same the first counts. */
export interface PointsChange {
  viewerId: string
  name: string
  change: number
  why: string
  reference: string
}

export interface PointsRow {
  viewerId: string
  name: string
  /** Where the viewer is from: the same name elsewhere is somebody else, as far as anybody knows. */
  from: string
  points: number
}
export interface PointsEntryView {
  seq: number
  change: number
  why: string
  atMs: number
}
export interface PointsView {
  rows: PointsRow[]
  total: number
  viewers: number
}
export const givePointsBody = z.object({
  viewerId: z.string().min(1).max(300),
  name: z.string().trim().min(1).max(100).optional(),
  change: z
    .int()
    .min(-1_000_000_000)
    .max(1_000_000_000)
    .refine((change) => change !== 0, 'nothing is given'),
  why: z.string().trim().min(1, 'say why').max(200),
  requestId: z.string().min(8).max(60),
})

/** What the studio of a channel shows, as it says itself. */
export interface StudioView {
  isLinked: boolean
  name: string
  scenes: string[]
  programme: string | null
  sources: {
    name: string
    isShown: boolean
    scenes: string[]
    /** Of a browser source that was put there from here, which it is. */
    key: string | null
    widthPx: number | null
    heightPx: number | null
  }[]
  held: { thing: string; value: string; untilMs: number }[]
}

export interface StudioLinkView {
  url: string
  secret: string
}

export const studioBoxBody = z.object({
  boxId: z.string().min(1).max(60),
  scenes: z.array(z.string().min(1).max(200)).min(1).max(50),
})

/** What the list for viewers says of one thing. */
export interface ListedTrigger {
  name: string
  about: string
  /** How it is set off, e.g. “reward on Alder”, “!bell”. */
  how: string[]
  price: string
  who: string
  again: string
  left: number | null
}
export interface ListView {
  channel: string
  /** What the page is coloured after; null: as the product's own. */
  colours: PageColours | null
  locale: string
  points: string
  triggers: ListedTrigger[]
}

export const standInsBody = z.object({ isOn: z.boolean() })

export const taskBody = z.object({ task: z.enum(['fulfilled', 'refunded']) })
