/** SQLSTATE classes that say nothing against the statement: the same one works when the trouble is over. */
const transientStates = [
  // The connection broke, or was refused.
  /^08/,
  // Too little room on disk, in memory, for connections.
  /^53/,
  // The server stops, starts, or was told to end the session.
  /^57P/,
  // Given up because others were in the way.
  /^40(001|P01)$/,
  // It only reads at present: a standby that is about to take over.
  /^25006$/,
  // The system under it failed.
  /^58/,
]
const transientCodes = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ECONNABORTED',
  'EPIPE',
  'ETIMEDOUT',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ENOTFOUND',
  'EAI_AGAIN',
  'ENOSPC',
  'EDQUOT',
])
/** What the driver says where it has no code. */
const transientWords =
  /Connection terminated|connection timeout|timeout exceeded when trying to connect|Query read timeout|Client has encountered a connection error|No space left on device/i

/** An error and what caused it, from the outside in. */
function* causes(error: unknown): Iterable<Error> {
  for (let each = error, depth = 0; each instanceof Error && depth < 6; each = each.cause, depth++) {
    yield each
    if (each instanceof AggregateError) for (const inner of each.errors) if (inner instanceof Error) yield inner
  }
}

/** Whether a query failed through no fault of its own: tried again when the database is back, it works. */
export function isTransient(error: unknown): boolean {
  for (const each of causes(error)) {
    const { code } = each as { code?: unknown }
    if (typeof code === 'string' && (transientCodes.has(code) || transientStates.some((state) => state.test(code))))
      return true
    if (transientWords.test(each.message)) return true
  }
  return false
}

/** Whether a value in it is one that cannot be kept (SQLSTATE class 22): the same will never work. */
export function isDataFault(error: unknown): boolean {
  for (const each of causes(error)) {
    const { code } = each as { code?: unknown }
    if (typeof code === 'string' && /^22/.test(code)) return true
  }
  return false
}

/** Whether it is the disk that is full. */
export function isDiskFull(error: unknown): boolean {
  for (const each of causes(error)) {
    const { code } = each as { code?: unknown }
    if (code === '53100' || code === 'ENOSPC' || code === 'EDQUOT' || /No space left on device/i.test(each.message))
      return true
  }
  return false
}

export interface TroubleDependencies {
  /** Asks the database the smallest thing there is, written to where that is possible. Rejects while it does not answer. */
  probe: () => Promise<void>
  /** It does not answer; or it does again. */
  onChange: (isDown: boolean) => void
  /** It answers again after it had not: what is in doubt can be looked up. Asked again where it rejects. */
  onBack: () => Promise<void>
}

const probeEveryMs = 300

/**
 * Knows whether the database is in trouble: whoever meets a failure tells, and from then on it is asked from time to
 * time until it answers. Only then is the trouble over, after what was in doubt has been looked up.
 */
export class DatabaseTrouble {
  private reason: 'gone' | 'full' | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private isClosed = false

  constructor(private readonly deps: TroubleDependencies) {}

  get isDown(): boolean {
    return this.reason !== null
  }

  /** Why: it does not answer, or there is no room on its disk; null while all is well. */
  get why(): 'gone' | 'full' | null {
    return this.reason
  }

  /** Tells of a failure. @returns whether it is one that passes */
  note(error: unknown): boolean {
    if (!isTransient(error)) return false
    const wasDown = this.isDown
    this.reason = isDiskFull(error) ? 'full' : 'gone'
    if (!wasDown) {
      this.deps.onChange(true)
      this.plan()
    }
    return true
  }

  close(): void {
    this.isClosed = true
    if (this.timer) clearTimeout(this.timer)
  }

  private plan(): void {
    if (this.isClosed) return
    this.timer = setTimeout(() => void this.look(), probeEveryMs)
    this.timer.unref()
  }

  private async look(): Promise<void> {
    try {
      await this.deps.probe()
      await this.deps.onBack()
    } catch (error) {
      this.reason = isDiskFull(error) ? 'full' : 'gone'
      return this.plan()
    }
    this.reason = null
    this.deps.onChange(false)
  }
}
