import { randomBytes } from 'node:crypto'

const alphabet = '0123456789abcdefghjkmnpqrstvwxyz'

function letters(count: number): string {
  return Array.from(randomBytes(count), (byte) => alphabet[byte & 31]).join('')
}

/** A new id that sorts by time of making: `play-` + 9 letters of time + 11 random ones (55 bits). */
export function newId(prefix: string, nowMs = Date.now()): string {
  let time = ''
  for (let rest = nowMs, place = 0; place < 9; place++, rest = Math.floor(rest / 32))
    time = (alphabet[rest % 32] ?? '0') + time
  return `${prefix}-${time}${letters(11)}`
}

/** A secret that cannot be guessed: 32 letters, 160 bits. */
export function newSecret(prefix = ''): string {
  return prefix + letters(32)
}
