import { keepFigures } from './figuresPage.ts'

/** One line of a benchmark's result: what was measured, and its figures by name. */
export interface Measured {
  what: string
  figures: Record<string, number | string>
}

/** Prints results as a table, or as JSON when asked to; with `--keep` they go into docs/figures.md too. */
export function report(name: string, measured: readonly Measured[], notes: readonly string[] = []): void {
  if (process.argv.includes('--keep')) keepFigures(name, measured, notes)
  if (process.argv.includes('--json')) {
    process.stdout.write(`${JSON.stringify({ name, measured, notes }, null, 2)}\n`)
    return
  }
  const columns = [...new Set(measured.flatMap((each) => Object.keys(each.figures)))]
  const rows = [
    ['', ...columns],
    ...measured.map((each) => [each.what, ...columns.map((column) => String(each.figures[column] ?? ''))]),
  ]
  const widths = rows[0]?.map((_, column) => Math.max(...rows.map((row) => row[column]?.length ?? 0))) ?? []
  process.stdout.write(`\n${name}\n`)
  for (const row of rows)
    process.stdout.write(
      `  ${row.map((cell, column) => (column === 0 ? cell.padEnd(widths[column] ?? 0) : cell.padStart(widths[column] ?? 0))).join('  ')}\n`,
    )
  for (const note of notes) process.stdout.write(`  ${note}\n`)
}

/** The value below which `ratio` of the samples lie. */
export function percentile(samples: readonly number[], ratio: number): number {
  const sorted = [...samples].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * ratio))] ?? NaN
}

export function ms(value: number): string {
  return `${value.toFixed(value < 10 ? 2 : 1)} ms`
}
