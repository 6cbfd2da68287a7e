import type { PreparedScore } from './preparedScore.ts'
import type { SoundOutput } from './sound/output.ts'
import type { Stage } from './stage.ts'

export interface PlaybackListener {
  /** The first frame has been drawn. */
  onStarted?: () => void
  onFrame?: (tMs: number) => void
  onEnded: () => void
}

export interface Playback {
  /** Stops picture and sound at once; `onEnded` is not called. */
  stop(): void
  /** Silences the voices; everything else goes on. */
  silenceVoices(): void
}

/** Browsers take a longer wait for none at all. */
const longestTimerMs = 2 ** 31 - 1

/**
 * Plays a prepared score that is mounted on the stage. Picture, text and sound share one start on the performance
 * clock, planned so far ahead that the sound's first sample is on time: they begin within one frame of each other.
 * @param fromMs score time to begin at; > 0 joins a play that is already running
 */
export function playScore(
  stage: Stage,
  prepared: PreparedScore,
  output: SoundOutput | null,
  fromMs: number,
  listener: PlaybackListener,
): Playback {
  const { lengthMs } = prepared.score
  const isHeard = output !== null && output.state() === 'on' && prepared.sounds.length > 0
  const startsAtMs = performance.now() + (isHeard ? output.leadMs() : 0)
  const scheduled = isHeard ? output.schedule(prepared.sounds, fromMs, startsAtMs, prepared.score.duck) : null
  let frame = 0
  let hasStarted = false
  let isOver = false

  const end = () => {
    if (isOver) return
    isOver = true
    cancelAnimationFrame(frame)
    clearTimeout(deadline)
    stage.clear()
    listener.onEnded()
  }
  const draw = (nowMs: number) => {
    if (isOver) return
    const tMs = fromMs + Math.round(nowMs - startsAtMs)
    if (tMs >= lengthMs) return end()
    if (tMs >= fromMs) {
      stage.seek(tMs, { isRunning: true })
      listener.onFrame?.(tMs)
      if (!hasStarted) listener.onStarted?.()
      hasStarted = true
    }
    frame = requestAnimationFrame(draw)
  }
  // A hidden page gets no frames: the play still ends by time, and says that it started.
  const deadline = setTimeout(
    () => {
      if (!hasStarted) listener.onStarted?.()
      end()
    },
    // A board has no end that a timer could wait for.
    Math.min(startsAtMs - performance.now() + (lengthMs - fromMs) + 120, longestTimerMs),
  )
  frame = requestAnimationFrame(draw)
  return {
    silenceVoices: () => scheduled?.silenceVoices(),
    stop() {
      isOver = true
      cancelAnimationFrame(frame)
      clearTimeout(deadline)
      scheduled?.stop()
      stage.clear()
    },
  }
}
