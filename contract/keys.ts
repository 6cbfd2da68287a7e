import * as z from 'zod'

/** What a key lets a program do. */
export const scopes = ['send', 'test', 'read', 'desk'] as const
export type Scope = (typeof scopes)[number]

/** Each as it is offered, and what it means. */
export const scopeWords: Readonly<Record<Scope, { name: string; means: string }>> = {
  send: { name: 'Send events', means: 'follows, tips and whatever else happens elsewhere' },
  test: { name: 'Send tests', means: 'alerts that play and count for nothing' },
  read: { name: 'Read events', means: 'what happened here, and what became of it' },
  desk: { name: 'Act at the desk', means: 'hold, skip, silence, play again' },
}

/** So many keys a channel may have at once. */
export const keysMost = 100
/** How often a key may ask, in requests a minute: for one script, for a busy one, for a whole platform. */
export const paces = [60, 600, 6_000] as const

export const keyBody = z.object({
  name: z.string().trim().min(1, 'say which program it is for').max(80),
  scopes: z
    .array(z.enum(scopes))
    .min(1, 'a key that may do nothing is of no use')
    .transform((list) => scopes.filter((each) => list.includes(each))),
  perMinute: z.union(paces.map((pace) => z.literal(pace))).default(600),
})

export interface KeyView {
  id: string
  name: string
  /** How it begins. */
  hint: string
  scopes: Scope[]
  perMinute: number
  madeByName: string
  madeAtMs: number
  usedAtMs: number | null
}

/** A key as it is told once. */
export interface MadeKey {
  key: KeyView
  secret: string
}
