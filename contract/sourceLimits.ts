/**
 * How often the server asks a source for a sign of life, and after which silence either side gives the connection up.
 */
export const heartbeatEveryMs = 4_000
export const silenceMaxMs = 11_000
/** A source sends no more than this at once. */
export const sourceMessageMaxBytes = 16_384
/** Close code of the socket: the address was replaced, and the page stops trying. */
export const closedAddressReplaced = 4401
/** Close code of the socket: the server restarts or the box is put away; the page tries again, for either may be back. */
export const closedForNow = 1012
