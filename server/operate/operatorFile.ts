import { readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import * as z from 'zod'

const fileName = 'operator.json'
const content = z.object({
  /** Where the server is reached on this machine. */
  address: z.url(),
  token: z.string(),
  /** Whether its database lies in the same folder. */
  hasDatabase: z.boolean(),
})
export type OperatorFile = z.infer<typeof content>

/** Writes down, where only whoever runs the server can read it, how commands reach it. */
export async function writeOperatorFile(dataFolder: string, file: OperatorFile): Promise<void> {
  const path = join(dataFolder, fileName)
  await writeFile(`${path}.new`, `${JSON.stringify(file, null, 2)}\n`, { mode: 0o600 })
  await rename(`${path}.new`, path)
}

/** Null where no server has run on this folder. */
export async function readOperatorFile(dataFolder: string): Promise<OperatorFile | null> {
  const text = await readFile(join(dataFolder, fileName), 'utf8').catch(() => null)
  if (text === null) return null
  try {
    return content.parse(JSON.parse(text))
  } catch {
    return null
  }
}
