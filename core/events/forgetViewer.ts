import type { CanonicalEvent } from './schema.ts'

/** Who stands where somebody stood who was forgotten. */
export interface Forgotten {
  /** So that what one person gave stays what one person gave. */
  id: string
  name: string
}

interface Person {
  id: string
}
/** Where data of any kind may hold what somebody wrote. */
interface Written {
  viewer: Person | null
  recipient?: Person
  message?: unknown
  arguments?: unknown
  input?: unknown
}

/**
 * What happened, without who did it: their name, picture and words go, amounts and counts stay. What is said of others stays, too.
 * @param viewerId as the source of the event names them
 */
export function forgetViewer<D extends CanonicalEvent['data']>(data: D, viewerId: string, as: Forgotten): D {
  const forgotten = { id: as.id, name: as.name }
  const known: Written = data
  const isTheirs = known.viewer?.id === viewerId
  const kept: Written = { ...known }
  if (known.recipient?.id === viewerId) kept.recipient = forgotten
  if (isTheirs) {
    kept.viewer = forgotten
    // Some kinds have to have written something: that it was, and not what.
    if ('message' in known) kept.message = { text: '' }
    if ('arguments' in known) kept.arguments = ''
    if ('input' in known) kept.input = ''
  }
  return kept as D
}
