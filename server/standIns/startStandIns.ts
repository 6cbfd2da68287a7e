import type { DatabaseHandle } from '../db/handle.ts'
import { hasStandIns } from '../db/queries/standIns.ts'
import { ownAddress } from '../http/ownOrigin.ts'
import { PlatformDesk } from '../platforms/platformDesk.ts'
import type { Clock } from '../system/clock.ts'
import type { Config } from '../system/config.ts'
import { SimulatedAudience } from './simulatedAudience.ts'
import { SimulatedProvider } from './simulatedProvider.ts'
import { SimulatedPlatforms } from './simulatedPlatforms.ts'

const lookedForMs = 2_000

/** What stands in for platforms, and whether it answers: in the demo, and where an owner has turned it on. */
export function startStandIns(
  { db }: DatabaseHandle,
  clock: Clock,
  config: Config,
  { channels, onError }: { channels: () => readonly string[]; onError: (error: unknown) => void },
) {
  const reached = { db, now: () => clock.wallMs(), origin: () => ownAddress(config) }
  const simulated = new SimulatedPlatforms(reached)
  let known: { isOn: boolean; atMs: number } | null = null
  async function standInsAnswer(): Promise<boolean> {
    if (config.THUNDERCREST_DEMO) return true
    // Another process may have turned the switch.
    if (known && clock.steadyMs() - known.atMs < lookedForMs) return known.isOn
    known = { isOn: await hasStandIns(db), atMs: clock.steadyMs() }
    return known.isOn
  }
  const provider = new SimulatedProvider({ ...reached, standInsAnswer, onError })
  const { now } = reached
  const audience = new SimulatedAudience({ ...{ db, now, channels, standInsAnswer, onError }, platforms: simulated })
  return {
    ...{ platforms: simulated, simulated, standInsAnswer },
    provider,
    platformDesk: new PlatformDesk({ db, platforms: simulated, steadyMs: () => clock.steadyMs() }),
    standInsChanged() {
      known = null
    },
    close() {
      provider.close()
      audience.close()
    },
  }
}
