import { crc32 } from 'node:zlib'

/** Elements that hold others, by their ids (RFC 9559). */
const masters = new Set([
  0x1a45dfa3, 0x18538067, 0x114d9b74, 0x4dbb, 0x1549a966, 0x1654ae6b, 0xae, 0xe0, 0x55b0, 0x55d0, 0x7670, 0xe1, 0x6d80,
  0x6240, 0x5034, 0x1f43b675, 0xa0, 0x75a1, 0xa6, 0x1c53bb6b, 0xbb, 0xb7, 0x1043a770, 0x1254c367, 0x7373, 0x63c0,
  0x67c8,
])
const header = 0x1a45dfa3
const segment = 0x18538067
const cluster = 0x1f43b675
const checksum = 0xbf
const inSegment = new Set([
  0x114d9b74,
  0x1549a966,
  0x1654ae6b,
  cluster,
  0x1c53bb6b,
  0x1043a770,
  0x1254c367,
  0x1941a469,
  0xec,
  checksum,
])
const inCluster = new Set([0xe7, 0xa7, 0xab, 0xa3, 0xa0, 0x5854, 0xaf, 0xec, checksum])
const docType = 0x4282
const depthMost = 10
const elementsMost = 3_000_000

interface Open {
  id: number
  end: number
  /** Its length stands nowhere: it ends where something begins that it cannot hold. */
  isOpenEnded: boolean
}

/**
 * Looks whether a WebM or Matroska file is whole: every element within the one that holds it, nothing unknown where only known
 * things can stand, checksums right where there are any, the end where it should be. One pass over the elements, without
 * recursion: depth and number are bounded.
 * @returns what kind of document it says it is; null where it is not whole
 */
export function readEbml(bytes: Uint8Array): string | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const holding: Open[] = []
  let kind: string | null = null
  let at = 0
  for (let count = 0; at < bytes.length; count++) {
    if (count > elementsMost) return null
    while (holding.length > 0 && at >= (holding.at(-1)?.end ?? 0)) {
      if (at > (holding.at(-1)?.end ?? 0)) return null
      holding.pop()
    }
    const id = readId(view, at)
    if (!id) return null
    // A cluster without a length ends where the next thing of its segment begins.
    while (
      holding.at(-1)?.isOpenEnded &&
      holding.at(-1)?.id === cluster &&
      !inCluster.has(id.value) &&
      inSegment.has(id.value)
    )
      holding.pop()
    const size = readSize(view, at + id.bytes)
    if (!size) return null
    const from = at + id.bytes + size.bytes
    const parent = holding.at(-1)
    const end = size.value === null ? (parent?.end ?? bytes.length) : from + size.value
    if (end > (parent?.end ?? bytes.length)) return null
    if (!parent && id.value !== header && id.value !== segment && id.value !== 0xec) return null
    if (parent?.id === segment && !inSegment.has(id.value)) return null
    if (parent?.id === cluster && !inCluster.has(id.value)) return null
    if (size.value === null && id.value !== segment && id.value !== cluster) return null
    if (id.value === docType) kind = new TextDecoder().decode(bytes.subarray(from, Math.min(end, from + 40)))
    if (id.value === checksum && parent) {
      if (end - from !== 4 || parent.isOpenEnded) return null
      if (view.getUint32(from, true) !== crc32(bytes.subarray(end, parent.end))) return null
    }
    if (masters.has(id.value)) {
      if (holding.length >= depthMost) return null
      holding.push({ id: id.value, end, isOpenEnded: size.value === null })
      at = from
    } else at = end
  }
  return kind
}

function readId(view: DataView, at: number): { value: number; bytes: number } | null {
  if (at >= view.byteLength) return null
  const first = view.getUint8(at)
  const bytes = Math.clz32(first) - 23
  if (bytes > 4 || at + bytes > view.byteLength) return null
  let value = 0
  for (let index = 0; index < bytes; index++) value = value * 256 + view.getUint8(at + index)
  return { value, bytes }
}

/** A length; null for one that is left open. */
function readSize(view: DataView, at: number): { value: number | null; bytes: number } | null {
  if (at >= view.byteLength) return null
  const first = view.getUint8(at)
  const bytes = Math.clz32(first) - 23
  if (bytes > 8 || at + bytes > view.byteLength) return null
  let value = first & (0xff >> bytes)
  let isOpen = value === 0xff >> bytes
  for (let index = 1; index < bytes; index++) {
    const next = view.getUint8(at + index)
    isOpen &&= next === 0xff
    value = value * 256 + next
  }
  return { value: isOpen ? null : value, bytes }
}
