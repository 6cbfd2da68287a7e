import type { Role } from '../../contract/views.ts'

/** What each role may do, as whoever chooses one reads it. */
export const roleWords: Readonly<Record<Role, string>> = {
  owner: 'everything, people and addresses included',
  editor: 'designs alerts and puts them on air',
  moderator: 'runs the desk, looks at the rest',
  desk: 'runs the desk, and sees nothing else',
}
