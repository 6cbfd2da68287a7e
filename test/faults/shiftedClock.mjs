// Loaded before the server where its wall clock is to be set: it then stands as far from the real one as a file says.
import { readFileSync } from 'node:fs'

const path = process.env.FAULT_CLOCK ?? ''
const read = () => {
  try {
    return Number(readFileSync(path, 'utf8')) || 0
  } catch {
    return 0
  }
}
let shiftMs = read()
const { setInterval: every } = globalThis
every(() => (shiftMs = read()), 50).unref()

const RealDate = Date
globalThis.Date = class extends RealDate {
  constructor(...given) {
    if (given.length === 0) super(RealDate.now() + shiftMs)
    else super(...given)
  }

  static now() {
    return RealDate.now() + shiftMs
  }
}
