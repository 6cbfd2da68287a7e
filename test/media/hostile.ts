import { readFileSync } from 'node:fs'
import { deflateSync, crc32 as zlibCrc32 } from 'node:zlib'
import { frameSvg, vectorAnimation } from './shape.ts'
import { wav } from './wav.ts'

const golden = (name: string) => readFileSync(new URL(`./files/${name}`, import.meta.url))

/** A file that must be refused, and words that its one reason contains. */
export interface Hostile {
  name: string
  bytes: () => Buffer
  reason: RegExp
}

const crc32 = (bytes: Buffer): number => zlibCrc32?.(bytes) ?? 0
function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
  const out = Buffer.alloc(body.length + 8)
  out.writeUInt32BE(data.length, 0)
  body.copy(out, 4)
  out.writeUInt32BE(crc32(body), body.length + 4)
  return out
}
const uint32 = (...values: number[]) => {
  const out = Buffer.alloc(values.length * 4)
  values.forEach((value, index) => out.writeUInt32BE(value >>> 0, index * 4))
  return out
}
const pngSignature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
/** A PNG of so many pixels that are all the same: a few kilobytes that decode to gigabytes. */
function pngBomb(side: number, frames = 0): Buffer {
  const header = Buffer.concat([uint32(side, side), Buffer.from([8, 6, 0, 0, 0])])
  return Buffer.concat([
    pngSignature,
    chunk('IHDR', header),
    ...(frames > 0 ? [chunk('acTL', uint32(frames, 0))] : []),
    chunk('IDAT', deflateSync(Buffer.alloc(1_000_000))),
    chunk('IEND', Buffer.alloc(0)),
  ])
}
/** A GIF whose frames claim the largest size there is. */
function gifBomb(frames: number): Buffer {
  const screen = Buffer.from([
    0x47, 0x49, 0x46, 0x38, 0x39, 0x61, 0xff, 0xff, 0xff, 0xff, 0x80, 0, 0, 0, 0, 0, 255, 255, 255,
  ])
  const frame = Buffer.from([0x2c, 0, 0, 0, 0, 0xff, 0xff, 0xff, 0xff, 0, 2, 2, 0x44, 1, 0])
  return Buffer.concat([screen, ...Array.from({ length: frames }, () => frame), Buffer.from([0x3b])])
}
const svg = (inside: string, before = '') =>
  Buffer.from(
    `${before}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="10" height="10">${inside}</svg>`,
  )
const cut = (file: Buffer, ratio = 0.6) => file.subarray(0, Math.floor(file.length * ratio))
const header = (change: (file: Buffer) => void) => {
  const file = wav({ seconds: 0.5 })
  change(file)
  return file
}
/** Three hours of one silent frame of 8 kbit/s MPEG 2.5 layer III (72 ms each) in ten megabytes. */
function hoursOfMp3(): Buffer {
  const frame = Buffer.alloc(72)
  frame.set([0xff, 0xe3, 0x18, 0xc4])
  return Buffer.concat(Array.from({ length: 150_000 }, () => frame))
}

/** A few kilobytes of compositions, each of which holds the next one twice. @param last what the last one holds */
function nestedVector(levels: number, last = ''): string {
  const holds = (refId: string) => ({ ty: 0, refId, ip: 0, op: 20, ks: {}, w: 96, h: 64 })
  const assets = Array.from({ length: levels }, (_, level) => ({
    id: `c${level}`,
    layers: level + 1 < levels ? [holds(`c${level + 1}`), holds(`c${level + 1}`)] : [last ? holds(last) : { ty: 4 }],
  }))
  return vectorAnimation({ assets, layers: [holds('c0')] })
}

/** Masters in masters, each of which says that it holds all that follows. */
function nestedEbml(levels: number): Buffer {
  const piece = Buffer.from([0xae, 0x01, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xfe])
  return Buffer.concat(Array.from({ length: levels }, () => piece))
}

export const hostileFiles: readonly Hostile[] = [
  { name: 'empty.png', bytes: () => Buffer.alloc(0), reason: /empty/ },
  { name: 'text.png', bytes: () => Buffer.from('This is no picture at all.'), reason: /cannot be told/ },
  {
    name: 'page.jpg',
    bytes: () => Buffer.from('<!doctype html><script>alert(1)</script>'),
    reason: /cannot be told|cannot be used/,
  },
  {
    name: 'program.mp3',
    bytes: () => Buffer.concat([Buffer.from('\u007fELF\u0002\u0001\u0001', 'latin1'), Buffer.alloc(200)]),
    reason: /cannot be used/,
  },
  {
    name: 'archive.webp',
    bytes: () => Buffer.concat([Buffer.from('PK\u0003\u0004', 'latin1'), Buffer.alloc(200)]),
    reason: /cannot be (used|told)/,
  },
  {
    name: 'random.webm',
    bytes: () => Buffer.from(Array.from({ length: 4096 }, (_, at) => (at * 7919 + (at >> 3) * 31) % 256)),
    reason: /cannot be/,
  },
  ...[
    'still.png',
    'opaque.jpg',
    'still.webp',
    'moving.webp',
    'moving.gif',
    'moving.apng',
    'still.avif',
    'tone.flac',
    'tone.ogg',
    'tone.opus',
    'tone.mp3',
  ].map((name): Hostile => ({ name: `cut-${name}`, bytes: () => cut(golden(name)), reason: /in the middle|damaged/ })),
  { name: 'cut.wav', bytes: () => cut(wav()), reason: /in the middle/ },
  ...['moving-h264.mp4', 'moving-vp9.webm'].map((name): Hostile => ({
    name: `cut-${name}`,
    bytes: () => cut(golden(name), 0.35),
    reason: /damaged|nothing to see/,
  })),
  { name: 'cut.json', bytes: () => cut(Buffer.from(vectorAnimation()), 0.9), reason: /JSON/ },
  {
    name: 'png-and-zip.png',
    bytes: () => Buffer.concat([golden('still.png'), Buffer.from('PK\u0003\u0004 and an archive', 'latin1')]),
    reason: /something else/,
  },
  {
    name: 'jpeg-and-page.jpg',
    bytes: () => Buffer.concat([golden('opaque.jpg'), Buffer.from('<script>alert(1)</script>')]),
    reason: /something else/,
  },
  {
    name: 'gif-and-script.gif',
    bytes: () => Buffer.concat([golden('moving.gif'), Buffer.from('*/=1;alert(1)')]),
    reason: /something else/,
  },
  {
    name: 'webp-and-page.webp',
    bytes: () => Buffer.concat([golden('still.webp'), Buffer.from('<script>alert(1)</script>')]),
    reason: /something else/,
  },
  { name: 'bomb.png', bytes: () => pngBomb(30_000), reason: /a side may have/ },
  { name: 'wide-bomb.png', bytes: () => pngBomb(8192 * 4), reason: /a side may have/ },
  { name: 'damaged-large.png', bytes: () => pngBomb(8000), reason: /damaged/ },
  { name: 'bomb.apng', bytes: () => pngBomb(4000, 500), reason: /more than can be kept/ },
  { name: 'frames.apng', bytes: () => pngBomb(10, 100_000), reason: /100000 frames/ },
  { name: 'bomb.gif', bytes: () => gifBomb(400), reason: /a side may have/ },
  { name: 'script.svg', bytes: () => svg('<script>alert(1)</script>'), reason: /<script>/ },
  { name: 'click.svg', bytes: () => svg('<rect width="5" height="5" onclick="alert(1)"/>'), reason: /script/ },
  {
    name: 'foreign.svg',
    bytes: () => svg('<foreignObject><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>'),
    reason: /foreignobject/,
  },
  {
    name: 'outside.svg',
    bytes: () => svg('<image xlink:href="http://example.invalid/a.png" width="5" height="5"/>'),
    reason: /from elsewhere/,
  },
  {
    name: 'file.svg',
    bytes: () => svg('<image href="file:///etc/passwd" width="5" height="5"/>'),
    reason: /from elsewhere/,
  },
  {
    name: 'style.svg',
    bytes: () => svg('<style>rect{fill:url(https://example.invalid/a)}</style>'),
    reason: /from elsewhere/,
  },
  {
    name: 'import.svg',
    bytes: () => svg('<style>@import "https://example.invalid/a.css";</style>'),
    reason: /style sheet/,
  },
  {
    name: 'sheet.svg',
    bytes: () => svg('', '<?xml-stylesheet href="https://example.invalid/a.css"?>'),
    reason: /style sheet|cannot be/,
  },
  {
    name: 'entities.svg',
    bytes: () =>
      svg('<text>&c;</text>', '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;"><!ENTITY c "&b;&b;&b;">]>'),
    reason: /entities/,
  },
  {
    name: 'outside-entity.svg',
    bytes: () => svg('<text>&x;</text>', '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>'),
    reason: /entities/,
  },
  { name: 'many.svg', bytes: () => svg('<g/>'.repeat(30_000)), reason: /elements/ },
  { name: 'half-comments.svg', bytes: () => Buffer.from('<!-- '.repeat(11_000)), reason: /cannot be/ },
  { name: 'half-comments-inside.svg', bytes: () => svg('<!-- '.repeat(11_000)), reason: /well-formed/ },
  { name: 'half-declarations.svg', bytes: () => Buffer.from('<?xml '.repeat(9_000)), reason: /cannot be/ },
  { name: 'half-doctypes.svg', bytes: () => Buffer.from('<!DOCTYPE '.repeat(6_000)), reason: /cannot be/ },
  { name: 'one-word.svg', bytes: () => svg(`<text>${'&lt;!-- '.repeat(9_000)}</text>`), reason: /letters of words/ },
  {
    name: 'deep.webm',
    bytes: () => Buffer.concat([golden('moving-vp9.webm').subarray(0, 40), nestedEbml(200_000)]),
    reason: /damaged/,
  },
  {
    name: 'many-voids.webm',
    bytes: () => Buffer.concat([golden('moving-vp9.webm'), Buffer.alloc(8_000_000, Buffer.from([0xec, 0x80]))]),
    reason: /damaged/,
  },
  {
    name: 'claims-more.jpg',
    bytes: () => {
      const file = Buffer.from(golden('opaque.jpg'))
      const frame = file.indexOf(Buffer.from([0xff, 0xc0]))
      file.writeUInt16BE(8192, frame + 5)
      file.writeUInt16BE(8192, frame + 7)
      return file
    },
    reason: /damaged/,
  },
  {
    name: 'flipped-size.webm',
    bytes: () => {
      const file = Buffer.from(golden('moving-vp9.webm'))
      const block = file.indexOf(0xa3, file.indexOf(Buffer.from([0x1f, 0x43, 0xb6, 0x75])) + 6)
      file.writeUInt8((file[block + 1] ?? 0) ^ 0x04, block + 1)
      return file
    },
    reason: /damaged/,
  },
  {
    name: 'false-sizes.mp4',
    bytes: () => {
      const file = Buffer.from(golden('moving-h264.mp4'))
      const sizes = file.indexOf('stsz')
      file.writeUInt32BE(file.readUInt32BE(sizes + 16) + 5, sizes + 16)
      return file
    },
    reason: /damaged/,
  },
  {
    name: 'false-box.mp4',
    bytes: () => {
      const file = Buffer.from(golden('moving-h264.mp4'))
      const box = file.indexOf('stbl') - 4
      file.writeUInt32BE(file.readUInt32BE(box) - 3, box)
      return file
    },
    reason: /damaged/,
  },
  { name: 'not-closed.svg', bytes: () => Buffer.from(frameSvg(0).slice(0, -8)), reason: /well-formed/ },
  { name: 'no-channels.wav', bytes: () => header((file) => file.writeUInt16LE(0, 22)), reason: /contradicts/ },
  {
    name: 'many-channels.wav',
    bytes: () =>
      header((file) => {
        file.writeUInt16LE(2000, 22)
        file.writeUInt16LE(4000, 32)
      }),
    reason: /channels|contradicts/,
  },
  {
    name: 'gigahertz.wav',
    bytes: () => header((file) => file.writeUInt32LE(1_000_000_000, 24)),
    reason: /sampling rate/,
  },
  { name: 'adpcm.wav', bytes: () => header((file) => file.writeUInt16LE(2, 20)), reason: /packed/ },
  { name: 'no-samples.wav', bytes: () => wav({ seconds: 0 }), reason: /no sound/ },
  { name: 'header-only.wav', bytes: () => wav().subarray(0, 30), reason: /no sound|damaged|cannot be/ },
  { name: 'three-hours.mp3', bytes: hoursOfMp3, reason: /ten minutes|no sound/ },
  {
    name: 'outside.json',
    bytes: () =>
      Buffer.from(vectorAnimation({ assets: [{ id: 'a', u: 'https://example.invalid/', p: 'a.png', e: 0 }] })),
    reason: /from elsewhere/,
  },
  {
    name: 'expression.json',
    bytes: () => Buffer.from(vectorAnimation().replace('"k":100', '"k":100,"x":"var $bm_rt = fetch()"')),
    reason: /expressions/,
  },
  {
    name: 'folder-elsewhere.json',
    bytes: () =>
      Buffer.from(
        vectorAnimation({ assets: [{ id: 'a', u: 'https://example.invalid/', p: 'data:image/png,x', e: 0 }] }),
      ),
    reason: /from elsewhere/,
  },
  {
    name: 'footage.json',
    bytes: () =>
      Buffer.from(vectorAnimation({ assets: [{ id: 'a', t: 3, u: '', p: 'data:application/json,{}', e: 1 }] })),
    reason: /from elsewhere/,
  },
  {
    name: 'words.json',
    bytes: () =>
      Buffer.from(
        vectorAnimation({
          fonts: { list: [{ fName: 'a', fFamily: 'a', origin: 3, fPath: 'https://example.invalid/a.css' }] },
          layers: [{ ty: 5, ind: 1, ip: 0, op: 20, t: { d: { k: [] } } }],
        }),
      ),
    reason: /not in the file/,
  },
  { name: 'nested.json', bytes: () => Buffer.from(nestedVector(24)), reason: /layers; 2000 are the most/ },
  { name: 'itself.json', bytes: () => Buffer.from(nestedVector(3, 'c0')), reason: /contains itself/ },
  {
    name: 'repeated.json',
    bytes: () => {
      const repeater = { ty: 'rp', c: { a: 0, k: 400 } }
      const group = (it: unknown[]) => ({ ty: 'gr', it: [...it, repeater] })
      return Buffer.from(vectorAnimation({ layers: [{ ty: 4, shapes: [group([group([group([{ ty: 'rc' }])])])] }] }))
    },
    reason: /shapes; 20000 are the most/,
  },
  {
    name: 'picture-bomb.json',
    bytes: () =>
      Buffer.from(
        vectorAnimation({
          assets: [
            { id: 'a', w: 9, h: 9, u: '', e: 1, p: `data:image/png;base64,${pngBomb(30_000).toString('base64')}` },
          ],
        }),
      ),
    reason: /a side may have|damaged/,
  },
  {
    name: 'deep.json',
    bytes: () =>
      Buffer.from(vectorAnimation().replace('"nm":"square"', `"nm":${'['.repeat(500_000)}${']'.repeat(500_000)}`)),
    reason: /too involved/,
  },
  { name: 'endless.json', bytes: () => Buffer.from(vectorAnimation({ op: 1e9 })), reason: /longer than a minute/ },
  { name: 'moving-h265.mp4', bytes: () => golden('moving-h265.mp4'), reason: /do not play/ },
  { name: 'moving-prores.mov', bytes: () => golden('moving-prores.mov'), reason: /QuickTime/ },
  {
    name: 'damaged.woff2',
    bytes: () => Buffer.concat([Buffer.from('wOF2\u0000\u0001\u0000\u0000', 'latin1'), Buffer.alloc(400, 7)]),
    reason: /font/,
  },
]
