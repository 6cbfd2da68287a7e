import { readFile } from 'node:fs/promises'

/** What a process holds in memory; 0 where the system does not tell. */
export async function residentBytes(pid: number | undefined): Promise<number> {
  const pages = await readFile(`/proc/${pid}/statm`, 'utf8').then((text) => Number(text.split(' ')[1]), () => 0)
  return pages * 4096
}
