import type { Readable } from 'node:stream'

/** Bytes first and last, both included. */
export interface ByteSpan {
  first: number
  last: number
}

/**
 * Where media files lie. A file's id is the SHA-256 of its bytes, so it is stored once and never changes.
 * Every store passes the same tests.
 */
export interface MediaStore {
  /** Stores bytes and returns their id. A file under its id is always whole. */
  put(bytes: Uint8Array): Promise<string>
  /** The bytes; null when the file is gone. */
  read(id: string): Promise<Buffer | null>
  /** Null when the file is gone. */
  size(id: string): Promise<number | null>
  /** The bytes of a file that is there, or some of them, as they come. */
  stream(id: string, span: ByteSpan | null): Promise<Readable>
  /** Does nothing when the file is gone. */
  remove(id: string): Promise<void>
}

const idPattern = /^[0-9a-f]{64}$/

/** @throws for what cannot be an id: it would become part of a path. */
export function checkMediaId(id: string): string {
  if (!idPattern.test(id)) throw new Error('A media id is 64 hexadecimal digits')
  return id
}
