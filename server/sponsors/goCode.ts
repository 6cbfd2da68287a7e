import { newSecret } from '../system/ids.ts'

/** What a short address ends in: short enough to be typed, and none that anybody finds by trying. */
export const newGoCode = (): string => newSecret().slice(0, 8)
