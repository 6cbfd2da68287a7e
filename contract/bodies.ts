import * as z from 'zod'
import { canvas } from '../core/composition/canvas.ts'
import { eventKind } from '../core/events/kinds.ts'
import { maxDraftPatches } from './draftLimits.ts'
import { sampleNames, type SampleName } from '../core/events/sampleEvent.ts'

export const signInBody = z.object({
  email: z.email('an e-mail address, please').max(200),
  password: z.string().min(1, 'the password is missing').max(200),
})
export type SignInBody = z.infer<typeof signInBody>

/** A new account. */
export const newAccount = z.object({
  personName: z.string().trim().min(1, 'how are you called?').max(80),
  email: z.email('an e-mail address, please').max(200),
  password: z.string().min(10, 'ten characters or more').max(200),
})

export const welcomeBody = z.object({
  code: z.string().min(1, 'the code is printed where the server was started').max(40),
  channelName: z.string().trim().min(1, 'how is the channel called?').max(80),
  ...newAccount.shape,
})
export type WelcomeBody = z.infer<typeof welcomeBody>

export const newBoxBody = z.object({ name: z.string().trim().min(1, 'a name to find it by').max(80), canvas })
export type NewBoxBody = z.infer<typeof newBoxBody>

const boxName = newBoxBody.shape.name
/** What is to be different about a box: only what is named changes. `before` null: behind all others. */
export const changeBoxBody = z
  .object({ name: boxName, before: z.string().max(60).nullable(), isPutAway: z.boolean() })
  .partial()
  .refine((body) => Object.values(body).some((value) => value !== undefined), 'nothing is to change')
export type ChangeBoxBody = z.infer<typeof changeBoxBody>

/** Whether a source, or all of a box, is heard. */
export const soundBody = z.object({ isHeard: z.boolean() })

export const copyBoxBody = z.object({ name: boxName })

/** A path step never names what JavaScript objects inherit. */
const pathStep = z.union([
  z.int().min(0),
  z
    .string()
    .max(80)
    .regex(/^(?!__proto__$|constructor$|prototype$)/),
])
const patch = z.object({
  op: z.enum(['add', 'remove', 'replace']),
  path: z.array(pathStep).max(16),
  value: z.unknown().optional(),
})

/** Edits made since `baseRevision`, in order. */
export const saveDraftBody = z.object({
  baseRevision: z.int().min(0),
  patches: z.array(patch).min(1).max(maxDraftPatches),
})

export const publishBody = z.object({ revision: z.int().min(0) })

const sampleName = z.enum(Object.keys(sampleNames) as [SampleName, ...SampleName[]])
/** A test: made up for a kind, made up for one case that is on air, or what once happened again. */
export const testBody = z
  .object({
    kind: eventKind.optional(),
    viewer: sampleName.optional(),
    variationId: z.string().max(60).optional(),
    choice: z.string().max(60).optional(),
    eventId: z.string().max(60).optional(),
  })
  .refine(
    ({ kind, variationId, eventId }) => kind !== undefined || variationId !== undefined || eventId !== undefined,
    { path: ['kind'], message: 'a test is for a kind, for a case (variationId), or of a past event (eventId)' },
  )

/** Which alert of another box is brought, or which case of it; null: all of them. */
export const bringAlertBody = z.object({
  fromBoxId: z.string().min(1).max(60),
  alertId: z.string().min(1).max(60),
  variationId: z.string().min(1).max(60).nullable(),
})
export const heldBody = z.object({ isHeld: z.boolean() })
/** Whether all that waits is taken out; false puts it back. */
export const clearedBody = z.object({ isCleared: z.boolean() })
/** Whether the screen is emptied and the line held. */
export const panicBody = z.object({ isOn: z.boolean() })
/** Whether a play that waits for somebody may be shown. */
export const shownBody = z.object({ isLet: z.boolean() })
