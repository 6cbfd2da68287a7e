import { randomFillSync } from 'node:crypto'

const alphabet = '0123456789abcdefghjkmnpqrstvwxyz'

/** Chance is drawn for many letters at once: asking for a few bytes costs as much as asking for thousands. */
const pool = new Uint8Array(4096)
let used = pool.length

function letters(count: number): string {
  if (used + count > pool.length) {
    randomFillSync(pool)
    used = 0
  }
  let text = ''
  for (const end = used + count; used < end; used++) text += alphabet[(pool[used] ?? 0) & 31] ?? ''
  return text
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
