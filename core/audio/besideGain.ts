/**
 * How much something goes down that begins while other things sound: half of an equal share of the power, so that what is there
 * stays in front and all of it together is never much louder than one. With eight at once the sum is under 3 dB above one; each
 * by itself is as loud as ever.
 * @param others how many sound already
 * @returns decibels, 0 or less
 */
export const besideGainDb = (others: number): number => (others === 0 ? 0 : -10 * Math.log10(2 * (others + 1)))
