import { describe, expect } from 'vitest'
import type { Database } from '../../server/db/handle.ts'
import { addInvitation, findRole, listMembers, setSessionChannel } from '../../server/db/queries/members.ts'
import { addChannel, addMember, addPerson, addSession, findSession } from '../../server/db/queries/people.ts'
import { join } from '../../server/people/joining.ts'
import { changeMembership } from '../../server/people/membership.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const hourMs = 3_600_000

async function channelWith(db: Database, id: string, owners: readonly string[]): Promise<void> {
  await addChannel(db, { id, name: id, locale: 'en', timeZone: 'UTC', currency: 'EUR' })
  for (const person of owners) {
    await addPerson(db, { id: person, email: `${person}@lantern.example`, name: person, passwordHash: 'x' })
    await addMember(db, id, person, 'owner')
  }
}
const invited = (db: Database, channelId: string, id: string, madeBy: string, forMs: number) =>
  addInvitation(db, {
    ...{ id, channelId, role: 'editor' as const, note: '', madeBy, madeAt: new Date(Date.now() - hourMs) },
    expiresAt: new Date(Date.now() + forMs),
  })
const statusOf = (result: PromiseSettledResult<unknown>) =>
  result.status === 'fulfilled' ? 'done' : (result.reason as { statusCode?: number }).statusCode

onEachDatabase('people of a channel', ({ db: at, whereHere }) => {
  describe('an invitation', () => {
    whereHere('lets one in, however many come at the same moment, and nobody after its week', async () => {
      const db = at()
      await channelWith(db, 'counter', ['odalys'])
      await channelWith(db, 'street', ['a', 'b', 'c'])
      await invited(db, 'counter', 'link', 'odalys', hourMs)
      const tried = await Promise.allSettled(['a', 'b', 'c'].map((person) => join(db, 'link', { as: 'you' }, person)))
      expect(tried.map(statusOf).sort()).toEqual([410, 410, 'done'])
      expect(await listMembers(db, 'counter')).toHaveLength(2)

      await invited(db, 'counter', 'late', 'odalys', -1)
      await expect(join(db, 'late', { as: 'you' }, 'a')).rejects.toMatchObject({ statusCode: 410 })
      await expect(join(db, 'never', { as: 'you' }, 'a')).rejects.toMatchObject({ statusCode: 404 })
      await invited(db, 'counter', 'own', 'odalys', hourMs)
      await expect(join(db, 'own', { as: 'you' }, 'odalys')).rejects.toMatchObject({ statusCode: 409 })
      const account = { as: 'new' as const, personName: 'A', email: 'A@lantern.example', password: 'ten letters' }
      await expect(join(db, 'own', account, null)).rejects.toMatchObject({ statusCode: 409 })
      // Neither of them has used it up.
      const free = ['a', 'b', 'c']
      for (const person of free)
        if ((await findRole(db, 'counter', person)) === null) {
          await join(db, 'own', { as: 'you' }, person)
          break
        }
      expect(await listMembers(db, 'counter')).toHaveLength(3)
    })
  })

  whereHere('is owned by somebody, whatever two owners do in the same breath', async () => {
    const db = at()
    await channelWith(db, 'shop', ['x', 'y'])
    const acts = await Promise.allSettled([
      changeMembership(db, 'shop', 'x', null),
      changeMembership(db, 'shop', 'y', 'moderator'),
    ])
    expect(acts.map(statusOf).sort()).toEqual([409, 'done'])
    const left = await listMembers(db, 'shop')
    expect(left.filter(({ role }) => role === 'owner')).toHaveLength(1)
    await expect(changeMembership(db, 'shop', 'nobody', 'editor')).rejects.toMatchObject({ statusCode: 404 })
  })

  whereHere('works in the channel that was chosen, while it is one of theirs', async () => {
    const db = at()
    await channelWith(db, 'first', ['k'])
    await channelWith(db, 'second', ['l'])
    await addMember(db, 'second', 'k', 'moderator')
    await addSession(db, { id: 's', personId: 'k', expiresAt: new Date(Date.now() + hourMs) })
    const here = async () => {
      const found = await findSession(db, 's')
      return found && [found.channel.id, found.role]
    }
    expect(await here()).toEqual(['first', 'owner'])
    await setSessionChannel(db, 's', 'second')
    expect(await here()).toEqual(['second', 'moderator'])
    await changeMembership(db, 'second', 'k', null)
    expect(await here()).toEqual(['first', 'owner'])
  })
})
