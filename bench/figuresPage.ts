import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { figureNotes } from './figureNotes.ts'
import type { Measured } from './report.ts'

/** What one benchmark measured last. */
export interface KeptFigures {
  name: string
  /** The day, and what it ran on. */
  on: string
  measured: readonly Measured[]
  notes: readonly string[]
}

const folder = new URL('../docs/figures/', import.meta.url)
const page = new URL('../docs/figures.md', import.meta.url)

/** Keeps what a benchmark measured, and writes docs/figures.md anew from all that is kept. */
export function keepFigures(name: string, measured: readonly Measured[], notes: readonly string[]): void {
  mkdirSync(folder, { recursive: true })
  const day = new Date().toISOString().slice(0, 10)
  const on = `${day}, Node ${process.versions.node}, ${availableParallelism()} cores`
  writeFileSync(new URL(`${name}.json`, folder), `${JSON.stringify({ name, on, measured, notes }, null, 2)}\n`)
  writeFileSync(page, figuresPage(readKept()))
}

export function readKept(): KeptFigures[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .map((file) => JSON.parse(readFileSync(new URL(file, folder), 'utf8')) as KeptFigures)
}

/** The whole page: one section a benchmark, in the order of its notes. */
export function figuresPage(kept: readonly KeptFigures[]): string {
  const order = Object.keys(figureNotes)
  const sorted = [...kept].sort((a, b) => order.indexOf(a.name) - order.indexOf(b.name))
  return `${[head, ...sorted.map(section)].join('\n\n')}\n`
}

const head = `# Measured figures

Written by the benchmarks themselves: \`npm run bench -- NAME --keep\` measures and writes its section anew. Peers are measured in the
same run, client and server on the same shared virtual machine. Such a machine is noisy: the slowest percent moves by a
factor of two or three between runs.`

function section({ name, on, measured, notes }: KeptFigures): string {
  const columns = [...new Set(measured.flatMap(({ figures }) => Object.keys(figures)))]
  const row = (cells: readonly (string | number)[]) =>
    `| ${cells.map((cell) => String(cell).replaceAll('|', '\\|')).join(' | ')} |`
  return [
    `## ${name}`,
    [
      row(['', ...columns]),
      row(['---', ...columns.map(() => '---:')]),
      ...measured.map(({ what, figures }) => row([what, ...columns.map((column) => figures[column] ?? '')])),
    ].join('\n'),
    [...notes, ...(figureNotes[name] ?? [])].join(' '),
    `*${on}*`,
  ].join('\n\n')
}
