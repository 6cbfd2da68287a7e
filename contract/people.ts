import * as z from 'zod'
import type { PasskeyView } from './passkeys.ts'
import { newAccount } from './bodies.ts'
import { roles, type Role } from './views.ts'

const { personName, email, password } = newAccount.shape

/** What a role is called. */
export const roleName = (role: Role): string => (role === 'desk' ? 'desk only' : role)

/** Somebody who belongs to a channel. */
export interface MemberView {
  personId: string
  name: string
  /** Only owners see it; null for others. */
  email: string | null
  role: Role
  isYou: boolean
}

/** Somebody who was asked to join and has not yet. */
export interface InvitationView {
  id: string
  role: Role
  note: string
  madeByName: string
  madeAtMs: number
  expiresAtMs: number
}

export interface PeopleView {
  members: MemberView[]
  /** Only owners see them. */
  invitations: InvitationView[]
}

export const invitationBody = z.object({ role: z.enum(roles), note: z.string().trim().max(80).default('') })

/** The link is told once: only its hash is kept. */
export interface MadeInvitation {
  invitation: InvitationView
  url: string
}

export const memberBody = z.object({ role: z.enum(roles) })

/** An invitation as whoever opens its link sees it. */
export interface OpenedInvitation {
  channelName: string
  role: Role
  madeByName: string
  expiresAtMs: number
  /** Who is signed in on this browser; null: nobody. */
  you: { name: string; isMember: boolean } | null
}

/** `you`: whoever is signed in joins. `new`: with an account that is made now. */
export const joinBody = z.discriminatedUnion('as', [
  z.object({ as: z.literal('you') }),
  z.object({ as: z.literal('new'), ...newAccount.shape }),
])
export type JoinBody = z.infer<typeof joinBody>

/** One's own account. */
export interface AccountView {
  name: string
  email: string
  channels: { id: string; name: string; role: Role; isHere: boolean }[]
  sessions: BrowserView[]
  passkeys: PasskeyView[]
}

/** Where somebody is signed in. */
export interface BrowserView {
  id: string
  /** “Chromium on Linux”; empty: nobody knows. */
  browser: string
  madeAtMs: number
  seenAtMs: number
  isThis: boolean
}

export const accountForm = z.object({ name: personName, email })
export const accountBody = accountForm
  .partial()
  .refine((body) => Object.values(body).some((value) => value !== undefined), 'nothing is to change')
export const passwordBody = z.object({ now: z.string().min(1, 'the password as it is').max(200), then: password })
export const hereBody = z.object({ channelId: z.string().min(1).max(60) })

/** Whose password a link sets. */
export interface OpenedPasswordLink {
  name: string
  email: string
}
export const newPasswordBody = z.object({ password })
/** Whose password was forgotten, as an operator says it. */
export const forgottenBody = z.object({ email: z.string().trim().min(3).max(254) })

export const newChannelBody = z.object({ name: z.string().trim().min(1, 'your viewers know it by a name').max(200) })
