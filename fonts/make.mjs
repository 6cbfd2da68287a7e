// Makes fonts/noto-color-emoji.woff2 from the package's whole font. The package's own subsets carry their colours only
// as SVG, which Chromium does not draw; the whole font has them as COLR too, and without its SVG table it is a third as
// large. Takes half a minute, so its result is checked in. Run: node fonts/make.mjs
import { readFile, writeFile } from 'node:fs/promises'
import wawoff2 from 'wawoff2'

const recordBytes = 16
const headBytes = 12
const source = new URL(
  '../node_modules/@fontsource/noto-color-emoji/files/noto-color-emoji-emoji-400-normal.woff2',
  import.meta.url,
)
const font = Buffer.from(await wawoff2.decompress(await readFile(source)))

const tables = Array.from({ length: font.readUInt16BE(4) }, (_, index) => {
  const at = headBytes + index * recordBytes
  const [offset, length] = [font.readUInt32BE(at + 8), font.readUInt32BE(at + 12)]
  return {
    tag: font.toString('latin1', at, at + 4),
    checksum: font.readUInt32BE(at + 4),
    bytes: font.subarray(offset, offset + length),
  }
}).filter((table) => table.tag !== 'SVG ')

// The directory of an sfnt, as the OpenType specification lays it out.
const directory = Buffer.alloc(headBytes + tables.length * recordBytes)
const power = Math.floor(Math.log2(tables.length))
font.copy(directory, 0, 0, 4)
directory.writeUInt16BE(tables.length, 4)
directory.writeUInt16BE(2 ** power * 16, 6)
directory.writeUInt16BE(power, 8)
directory.writeUInt16BE(tables.length * 16 - 2 ** power * 16, 10)
const parts = [directory]
let offset = directory.length
tables.forEach((table, index) => {
  const at = headBytes + index * recordBytes
  directory.write(table.tag, at, 'latin1')
  directory.writeUInt32BE(table.checksum, at + 4)
  directory.writeUInt32BE(offset, at + 8)
  directory.writeUInt32BE(table.bytes.length, at + 12)
  const padding = Buffer.alloc((4 - (table.bytes.length % 4)) % 4)
  parts.push(table.bytes, padding)
  offset += table.bytes.length + padding.length
})
await writeFile(new URL('noto-color-emoji.woff2', import.meta.url), await wawoff2.compress(Buffer.concat(parts)))
