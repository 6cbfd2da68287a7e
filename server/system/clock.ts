/**
 * Two clocks. The wall clock is what people read and what is kept; it may be set, forwards and backwards, at any
 * moment. The steady clock only ever goes forward, at the pace of time: gaps, waits and timers count on it. It begins
 * where the wall clock stood, so that both are epoch milliseconds.
 */
export class Clock {
  private readonly beganMs: number

  /**
   * @param wall epoch milliseconds
   * @param monotonic milliseconds since whenever, never backwards
   */
  constructor(
    private readonly wall: () => number = () => Date.now(),
    private readonly monotonic: () => number = () => performance.now(),
  ) {
    this.beganMs = wall() - monotonic()
  }

  wallMs(): number {
    return this.wall()
  }

  steadyMs(): number {
    return Math.round(this.beganMs + this.monotonic())
  }

  /** What the wall clock would have shown at a steady moment, had it always stood as it stands now. */
  wallOf(steadyMs: number): number {
    return Math.round(steadyMs + this.wallMs() - this.steadyMs())
  }

  /** The steady moment of something that was kept with the wall's time. What seems to lie in the future is now. */
  steadyOf(wallMs: number): number {
    const nowMs = this.steadyMs()
    return Math.min(nowMs, Math.round(wallMs + nowMs - this.wallMs()))
  }
}

/** The longest that a timer can wait; given more, it would fire at once. */
const timerMaxMs = 2 ** 31 - 1

/** How long a timer is to wait until a moment: at least a millisecond, and never so long that it overflows. */
export function timerMs(untilMs: number, nowMs: number): number {
  return Math.min(timerMaxMs, Math.max(1, untilMs - nowMs))
}
