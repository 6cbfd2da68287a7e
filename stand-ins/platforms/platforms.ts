import type { Platform } from '../../core/events/platforms.ts'
import { alder } from './alder.ts'
import { birch } from './birch.ts'
import { cedar } from './cedar.ts'
import type { SimulatedPlatform } from './platform.ts'
import { till } from './till.ts'

const simulated = { alder, birch, cedar, till } satisfies Record<Platform, SimulatedPlatform>

/** The simulated platforms by their names. */
export const platforms: Readonly<Record<string, SimulatedPlatform>> = simulated
