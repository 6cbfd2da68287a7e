import { alder } from './alder.ts'
import { birch } from './birch.ts'
import { cedar } from './cedar.ts'
import type { Platform } from './platform.ts'
import { till } from './till.ts'

/** The simulated platforms by their names. */
export const platforms: Readonly<Record<string, Platform>> = { alder, birch, cedar, till }
