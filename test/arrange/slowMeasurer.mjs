// Stands in for the measuring process where a test needs it to misbehave; told how by what the file contains.
import { readFileSync } from 'node:fs'

const hoard = []
process.on('message', (path) => {
  const what = readFileSync(path, 'utf8')
  if (what === 'crash') process.abort()
  if (what === 'hoard') setInterval(() => hoard.push(Buffer.alloc(20_000_000, 1)), 10)
  if (what === 'fine')
    process.send({ ok: false, reason: `measured by ${process.pid}`, advice: '', canDecodeInBrowser: false })
})
process.on('disconnect', () => process.exit(0))
process.send('ready')
