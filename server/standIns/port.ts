import { definePort } from '../system/port.ts'
import type { PlatformAccess } from '../platforms/access.ts'
import type { PlatformDesk } from '../platforms/platformDesk.ts'
import type { SimulatedProvider } from './simulatedProvider.ts'
import type { SimulatedPlatforms } from './simulatedPlatforms.ts'

/** What handlers need of platforms, and of the simulated ones that stand in for them. */
export interface StandInsPort {
  platforms: PlatformAccess
  platformDesk: PlatformDesk
  simulated: SimulatedPlatforms
  /** The simulated payment provider, with its pages. */
  provider: SimulatedProvider
  /** Whether simulated platforms, chat and studio answer on this server. */
  standInsAnswer: () => Promise<boolean>
  /** The switch was turned. */
  standInsChanged: () => void
}

export const { provide: provideStandIns, use: useStandIns } = definePort<StandInsPort>('Stand-ins')
