import { and, eq, gt, isNull, lt } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { passwordLink } from '../peopleSchema.ts'
import { person } from '../schema.ts'

/** Links whose time is over are forgotten with it. */
export async function addPasswordLink(db: Database, row: typeof passwordLink.$inferInsert): Promise<void> {
  await db.delete(passwordLink).where(lt(passwordLink.expiresAt, new Date(Date.now() - 30 * 86_400_000)))
  await db.insert(passwordLink).values(row)
}

export async function findPasswordLink(db: Database, id: string) {
  const [found] = await db
    .select({
      ...{ personId: person.id, name: person.name, email: person.email },
      ...{ expiresAt: passwordLink.expiresAt, usedAt: passwordLink.usedAt },
    })
    .from(passwordLink)
    .innerJoin(person, eq(person.id, passwordLink.personId))
    .where(eq(passwordLink.id, id))
  return found ?? null
}

/** Uses a link up. @returns false where somebody was faster, or its time is over */
export async function takePasswordLink(db: Database, id: string): Promise<boolean> {
  const taken = await db
    .update(passwordLink)
    .set({ usedAt: new Date() })
    .where(and(eq(passwordLink.id, id), isNull(passwordLink.usedAt), gt(passwordLink.expiresAt, new Date())))
    .returning({ id: passwordLink.id })
  return taken.length > 0
}
