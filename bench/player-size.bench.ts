// What browser sources download before any font or media: their page and its one script, gzipped.
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { sourceDocument } from '../server/realtime/sourceDocument.ts'
import { report } from './report.ts'

const output = fileURLToPath(new URL('../.output/public/', import.meta.url))
const size = (bytes: string | Uint8Array) => gzipSync(bytes, { level: 9 }).length
const kb = (bytes: number) => `${(bytes / 1000).toFixed(2)} kB`
const scripts = readdirSync(`${output}player`)
const script = scripts.find((name) => name.startsWith('source.')) ?? ''
const boardScript = scripts.find((name) => name.startsWith('board.')) ?? ''
const later = scripts.filter((name) => name !== script && name !== boardScript)
const scriptBytes = size(readFileSync(`${output}player/${script}`))
const pageBytes = size(sourceDocument(`/player/${script}`, 'nonce'))
const application = readdirSync(`${output}_nuxt`)
  .filter((file) => file.endsWith('.js'))
  .reduce((sum, file) => sum + size(readFileSync(`${output}_nuxt/${file}`)), 0)
report('player-size', [
  { what: 'source page', figures: { gzipped: kb(pageBytes) } },
  { what: 'its script', figures: { gzipped: kb(scriptBytes) } },
  { what: 'together (limit of the script: 20 kB)', figures: { gzipped: kb(pageBytes + scriptBytes) } },
  {
    what: 'script of a board, with every kind of part (aim: 60 kB)',
    figures: { gzipped: kb(size(readFileSync(`${output}player/${boardScript}`))) },
  },
  {
    what: 'once a vector animation is shown',
    figures: { gzipped: kb(later.reduce((sum, name) => sum + size(readFileSync(`${output}player/${name}`)), 0)) },
  },
  { what: 'beside it: all scripts of the editor', figures: { gzipped: kb(application) } },
])
