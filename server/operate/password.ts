import { findPersonByEmail } from '../db/queries/people.ts'
import { makePasswordLink } from '../people/passwordLinks.ts'
import { ownAddress } from '../http/ownOrigin.ts'
import { CommandFault, findRunning, openAlone, type operatorContext } from './context.ts'

/** Prints a link by which somebody who forgot their password sets a new one. */
export async function password(
  context: ReturnType<typeof operatorContext>,
  email: string,
  say: (words: string) => void,
): Promise<void> {
  const { config, dataFolder } = context
  const running = await findRunning(dataFolder)
  const { name, path } = running
    ? ((await (
        await running.ask('/api/operator/password-links', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ email }),
        })
      ).json()) as { name: string; path: string })
    : await made(context, email)
  const address = config.THUNDERCREST_ADDRESSES[0] ?? running?.address ?? ownAddress(config)
  say(`A new password for ${name}: this link sets it, once, within a day. Hand it on yourself.`)
  say(`  ${address}${path}`)
}

async function made(context: ReturnType<typeof operatorContext>, email: string) {
  const { database, close } = await openAlone(context)
  try {
    const person = await findPersonByEmail(database.db, email)
    if (!person) throw new CommandFault('There is no account with this e-mail address.')
    return { name: person.name, path: await makePasswordLink(database.db, person.id) }
  } finally {
    await close()
  }
}
