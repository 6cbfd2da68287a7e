import type { BusMessage } from './messages.ts'

export interface BusListener {
  hear: (message: BusMessage, from: string) => void
  /** Something may have been missed: whoever keeps anything that others change asks anew. */
  onGap: () => void
}

/**
 * How the processes that share a database talk to each other: quickly, in the order of each sender, and without any promise.
 * What is said while the connection is broken is lost, and every listener hears of the gap. Nobody hears itself.
 */
export interface Bus {
  /** To all others. */
  publish(message: BusMessage): void
  /** To one of them. */
  send(nodeId: string, message: BusMessage): void
  listen(listener: BusListener): void
  /** What a statement says to all others with its commit; null where nobody else can be there, or it is too much to say. */
  inStatement(message: BusMessage): string | null
  /** Says what is still to be said. */
  close(): Promise<void>
}

/** The bus of a process that is alone on its database. */
export const silentBus: Bus = {
  publish: () => undefined,
  send: () => undefined,
  listen: () => undefined,
  inStatement: () => null,
  close: () => Promise.resolve(),
}
