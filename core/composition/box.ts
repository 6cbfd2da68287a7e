import * as z from 'zod'
import { eventKind, eventKinds, type EventKind } from '../events/kinds.ts'
import { faultOfRule } from '../rules/checkRule.ts'
import { rule, share } from '../rules/schema.ts'
import { look } from '../look/schema.ts'
import { isLivePart, isVisiblePart, type Part } from '../score/parts/part.ts'
import { season } from '../look/seasons.ts'
import { design } from '../pack/design.ts'
import { takenPack } from '../pack/takenPack.ts'
import { boxPolicy } from '../queue/policy.ts'
import { canvas } from './canvas.ts'
import { offer } from './offer.ts'
import { composition } from './schema.ts'
import { zone } from './zone.ts'

/** The version of the stored form; see `migrateBox`. */
export const boxVersion = 10

const entityId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/)

/** One case of an alert with its own composition. Without a rule it is for every time. */
export const variation = z.object({
  id: entityId,
  name: z.string().min(1).max(80),
  rule: rule.nullable(),
  share: share.nullable(),
  /** Only run sheets play it: it is never chosen by itself. */
  isCalled: z.literal(true).optional(),
  /** It plays where several that waited have become one. */
  isForSeveral: z.literal(true).optional(),
  composition,
})
export type Variation = z.infer<typeof variation>

/** What a box does for some kinds of event, often one. `isOn` false: these events are kept but nothing plays. */
export const alert = z.object({
  id: entityId,
  kinds: z.array(eventKind).max(eventKinds.length),
  isOn: z.boolean(),
  /** What viewers may choose where they trigger it; null: nothing. */
  offer: offer.nullable(),
  variations: z.array(variation).min(1).max(50),
})
export type Alert = z.infer<typeof alert>

/** How a case comes to be played. */
export type PlayedBy = 'events' | 'sheets' | 'several'
export function playedBy({ isCalled, isForSeveral }: Pick<Variation, 'isCalled' | 'isForSeveral'>): PlayedBy {
  if (isCalled) return 'sheets'
  return isForSeveral ? 'several' : 'events'
}

const isChosen = (each: Variation) => playedBy(each) === 'events'

/** The cases of an alert that events choose among: not those that only run sheets play, nor those for several at once. */
export const chosenBy = ({ variations }: Pick<Alert, 'variations'>): Variation[] =>
  variations.every(isChosen) ? variations : variations.filter(isChosen)

/** The cases of an alert for several at once. */
export const severalCases = ({ variations }: Pick<Alert, 'variations'>): Variation[] =>
  variations.filter((each) => playedBy(each) === 'several')

/** The kind that an alert is called by; null for what no event sets off: the scene of a board. */
export const kindOfAlert = ({ kinds }: Pick<Alert, 'kinds'>): EventKind | null => kinds[0] ?? null

/** The kind that an alert is called by. */
export const mainKind = ({ kinds }: Pick<Alert, 'kinds'>): EventKind => kinds[0] ?? 'follow'

type Fault = { path: (string | number)[]; message: string } | null

/** What only boxes know: alerts listen to something, and nothing in them is kept up to date. */
function faultOfAlerts(alerts: readonly Alert[]): Fault {
  for (const [index, { kinds, variations }] of alerts.entries()) {
    if (kinds.length === 0)
      return { path: ['alerts', index, 'kinds'], message: 'an alert listens to one kind at least' }
    for (const [at, { composition: of }] of variations.entries()) {
      const live = of.parts.findIndex(isLivePart)
      if (live >= 0)
        return {
          path: ['alerts', index, 'variations', at, 'composition', 'parts', live],
          message: `a ${of.parts[live]?.kind} stands on boards only`,
        }
    }
  }
  return null
}

/** What only boards know: one scene, nothing that sounds, and nothing that needs an event. */
function faultOfBoard(alerts: readonly Alert[]): Fault {
  const [only] = alerts
  if (alerts.length !== 1 || only?.kinds.length !== 0 || only.variations.length !== 1)
    return { path: ['alerts'], message: 'a board has one scene, which no event sets off' }
  const parts = only.variations[0]?.composition.parts ?? []
  const at = parts.findIndex((each) => !standsOnBoards(each))
  return at < 0
    ? null
    : {
        path: ['alerts', 0, 'variations', 0, 'composition', 'parts', at],
        message: `a ${parts[at]?.kind} has no place on a board`,
      }
}

/** Whether a part can stand on a board: it is seen, and needs no event. */
export const standsOnBoards = (each: Part): boolean =>
  isVisiblePart(each) && each.kind !== 'message' && each.kind !== 'draw'

/** Everything that a draft changes and *Put on air* publishes, as one versioned document. */
export const boxDocument = z
  .object({
    version: z.literal(boxVersion),
    canvas,
    look,
    seasons: z.array(season).max(24, 'a box has at most 24 seasons'),
    zones: z.array(zone).max(12, 'a canvas has at most 12 zones'),
    alerts: z.array(alert).max(40),
    packs: z.array(takenPack).max(12, 'a box has at most 12 packs'),
    design: design.nullable(),
    /** How it behaves on air: sentences in their order. Of a board it says nothing. */
    policy: boxPolicy,
    /** A board: it stays on the screen, and keeps its one scene where boxes keep their alerts. */
    stays: z.literal(true).optional(),
  })
  .superRefine((value, context) => {
    const fault = value.stays ? faultOfBoard(value.alerts) : faultOfAlerts(value.alerts)
    if (fault) context.addIssue({ code: 'custom', ...fault })
    const seen = new Set<string>()
    value.alerts.forEach((each, index) => {
      each.kinds.forEach((kind, at) => {
        if (seen.has(kind))
          context.addIssue({ code: 'custom', path: ['alerts', index, 'kinds', at], message: `two alerts for ${kind}` })
        seen.add(kind)
      })
      each.variations.forEach(({ rule: asked }, at) => {
        const fault = faultOfRule(each, asked)
        if (fault)
          context.addIssue({ code: 'custom', path: ['alerts', index, 'variations', at, 'rule'], message: fault })
      })
    })
  })
export type BoxDocument = z.infer<typeof boxDocument>
