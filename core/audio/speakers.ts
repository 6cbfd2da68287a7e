/** Where a channel is heard from. */
export type Speaker =
  'left' | 'right' | 'centre' | 'lowFrequency' | 'sideLeft' | 'sideRight' | 'backLeft' | 'backRight' | 'backCentre'

const L = 'left'
const R = 'right'
const C = 'centre'
const LFE = 'lowFrequency'
const SL = 'sideLeft'
const SR = 'sideRight'
const BL = 'backLeft'
const BR = 'backRight'
const BC = 'backCentre'

/** By the number of channels. Of one it does not matter which. */
type Order = readonly (readonly Speaker[])[]

/**
 * The orders in which files carry their channels. In five and six channels those behind are the surround speakers of
 * BS.775, at 110°, whatever a format calls them. WAV (Microsoft, multiple channel audio data) and FLAC (RFC 9639,
 * section 9.1.3); Vorbis I, section 4.3.9, which Opus takes too (RFC 7845, section 5.1.1.2).
 */
const orders = {
  wav: [
    [],
    [C],
    [L, R],
    [L, R, C],
    [L, R, SL, SR],
    [L, R, C, SL, SR],
    [L, R, C, LFE, SL, SR],
    [L, R, C, LFE, BC, SL, SR],
    [L, R, C, LFE, BL, BR, SL, SR],
  ],
  vorbis: [
    [],
    [C],
    [L, R],
    [L, C, R],
    [L, R, SL, SR],
    [L, C, R, SL, SR],
    [L, C, R, SL, SR, LFE],
    [L, C, R, SL, SR, BC, LFE],
    [L, C, R, SL, SR, BL, BR, LFE],
  ],
} satisfies Record<string, Order>
export type ChannelOrder = keyof typeof orders

/** The speakers of so many channels in a format's order; those beyond eight are none. */
export const speakersOf = (order: ChannelOrder, count: number): readonly Speaker[] => orders[order][count] ?? []

/** The bits of WAV's channel mask, from the lowest. */
const maskBits: readonly Speaker[] = [L, R, C, LFE, BL, BR, L, R, BC, SL, SR]

/**
 * The speakers that a WAV file names by its mask; null where the mask names fewer or others than there are channels.
 * Without side speakers those behind are the surround ones.
 */
export function speakersOfMask(mask: number, count: number): readonly Speaker[] | null {
  const named = maskBits.filter((_speaker, bit) => (mask & (1 << bit)) !== 0)
  if (named.length !== count || mask >>> maskBits.length !== 0) return null
  const hasSides = named.includes(SL) || named.includes(SR)
  const sideOf: Partial<Record<Speaker, Speaker>> = { [BL]: SL, [BR]: SR }
  return hasSides ? named : named.map((speaker) => sideOf[speaker] ?? speaker)
}

/**
 * The weight of a speaker in the sum of BS.1770-4, annex 1 and table 4: those beside the listener (60° to 120°) count
 * 1.5 dB more, low-frequency effects not at all, all others as they are.
 */
export const weightOfSpeaker = (speaker: Speaker): number => {
  if (speaker === LFE) return 0
  return speaker === SL || speaker === SR ? 1.41 : 1
}
