import * as z from 'zod'
import type { BusMessage } from './messages.ts'

/**
 * A message as it goes through PostgreSQL, which takes less than 8,000 bytes at once: a long one goes in parts. Two parts of
 * one statement that are word for word the same would be told once, so that each has its number.
 */
const envelope = z.object({
  from: z.string().max(80),
  /** Counts the messages of its sender. */
  id: z.int().min(0),
  part: z.int().min(0),
  parts: z.int().min(1).max(4_000),
  text: z.string(),
})

const known = z.looseObject({ type: z.string() })

/** PostgreSQL counts bytes; what stands around the text takes some. */
const textBytesMax = 7_700

/** A message in as many envelopes as it needs. */
export function envelopesOf(from: string, id: number, message: BusMessage): string[] {
  const pieces = piecesOf(JSON.stringify(message))
  return pieces.map((text, part) => JSON.stringify({ from, id, part, parts: pieces.length, text }))
}

/** In halves of halves: how long a piece is in words of an envelope is known only when it is written. */
function piecesOf(text: string): string[] {
  if (Buffer.byteLength(JSON.stringify(text)) <= textBytesMax) return [text]
  const middle = text.length >> 1
  return [...piecesOf(text.slice(0, middle)), ...piecesOf(text.slice(middle))]
}

/** Messages that are waited for in so many parts of each sender; what never came whole is let go. */
const openMax = 64

/** Puts messages together again. What is no message of ours is passed over. */
export class EnvelopeReader {
  private readonly open = new Map<string, { parts: (string | undefined)[]; missing: number }>()

  /** @returns the message that is whole now, and who sent it; null where more has to come, or it is none */
  read(raw: string): { from: string; message: BusMessage } | null {
    const checked = envelope.safeParse(parsed(raw))
    if (!checked.success) return null
    const { from, id, part, parts, text } = checked.data
    if (parts === 1) return messageOf(from, text)
    const key = `${from} ${id}`
    const known = this.open.get(key) ?? { parts: Array.from({ length: parts }), missing: parts }
    this.open.set(key, known)
    if (part < known.parts.length && known.parts[part] === undefined) {
      known.parts[part] = text
      known.missing -= 1
    }
    if (known.missing === 0) {
      this.open.delete(key)
      return messageOf(from, known.parts.join(''))
    }
    for (const oldest of this.open.keys()) {
      if (this.open.size <= openMax) break
      this.open.delete(oldest)
    }
    return null
  }
}

function messageOf(from: string, text: string): { from: string; message: BusMessage } | null {
  const message = known.safeParse(parsed(text))
  // Who writes here is another process of this program; of another version it may say what nobody knows, which listeners pass over.
  return message.success ? { from, message: message.data as unknown as BusMessage } : null
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
