import type { GallerySet } from './set.ts'
import { cart } from './sets/cart.ts'
import { curtain } from './sets/curtain.ts'
import { frost } from './sets/frost.ts'
import { jelly } from './sets/jelly.ts'
import { ledge } from './sets/ledge.ts'
import { sixteen } from './sets/sixteen.ts'
import { stair } from './sets/stair.ts'
import { words } from './sets/words.ts'

/** The sets that ship, in the order in which they are offered. */
export const sets: readonly GallerySet[] = [ledge, jelly, curtain, words, stair, sixteen, frost, cart]
