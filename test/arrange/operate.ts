import { execFile } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'

const cwd = fileURLToPath(new URL('../../', import.meta.url))

/** Runs a command of whoever runs the server. @returns what it printed. @throws with what it said where it ends with trouble */
export const operate = async (...args: string[]): Promise<string> =>
  (await promisify(execFile)(process.execPath, ['scripts/operate.mjs', ...args], { cwd })).stdout
