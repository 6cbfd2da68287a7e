import Papa from 'papaparse'
import * as z from 'zod'

/** One line of a ledger that is brought in. */
export interface LedgerLine {
  viewerId: string
  name: string
  change: number
  why: string
  reference: string
}

export const ledgerLinesMax = 50_000

const line = z.object({
  viewer: z.string().trim().min(1, 'says no viewer').max(300),
  name: z.string().max(200).default(''),
  change: z
    .string()
    .regex(/^[+-]?\d{1,9}$/, 'is no whole number of points')
    .transform(Number),
  why: z.string().max(300).default('brought in'),
  reference: z.string().max(200).default(''),
})

/** What was written so that no table program takes it for a formula is read as it was. */
const asWritten = (text: string) => text.replace(/^'(?=[=+\-@\t\r])/, '')

const parse = (text: string) =>
  Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    ...{ header: true, skipEmptyLines: 'greedy', transformHeader: (name) => name.trim().toLowerCase() },
  })

/** Whom a ledger is about. */
export const viewersOf = (text: string): string[] => [
  ...new Set(parse(text).data.flatMap(({ viewer }) => viewer?.trim().slice(0, 300) || [])),
]

/**
 * Reads a ledger as CSV: `viewer`, `name`, `change`, `why`, `reference`, in any order. Nobody has less than nothing at its end,
 * counted with what there is.
 * @param file names the lines that have no reference: the same file again brings nothing again
 * @returns the lines, or what is wrong and where
 */
export function readLedger(
  text: string,
  file: string,
  balances: ReadonlyMap<string, number> = new Map(),
): { lines: LedgerLine[]; faults: { path: string; message: string }[] } {
  const { data, errors, meta } = parse(text)
  const faults = errors.slice(0, 20).map(({ row, message }) => ({ path: `line ${(row ?? 0) + 2}`, message }))
  for (const column of ['viewer', 'change'])
    if (!meta.fields?.includes(column)) faults.push({ path: 'line 1', message: `has no column “${column}”` })
  if (data.length > ledgerLinesMax) faults.push({ path: '', message: `has more than ${ledgerLinesMax} lines` })
  if (faults.length > 0) return { lines: [], faults }
  const lines: LedgerLine[] = []
  const sums = new Map(balances)
  data.forEach((row, at) => {
    const read = line.safeParse(row)
    if (!read.success) {
      const [issue] = read.error.issues
      return faults.push({ path: `line ${at + 2}`, message: `${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}` })
    }
    const { viewer, name, change, why, reference } = read.data
    sums.set(viewer, (sums.get(viewer) ?? 0) + change)
    if (change !== 0)
      lines.push({
        ...{ viewerId: viewer, name: asWritten(name), change, why: asWritten(why) },
        reference: reference === '' ? `file:${file}:${at}` : reference,
      })
  })
  for (const [viewer, points] of sums)
    if (points < 0) faults.push({ path: '', message: `${viewer} would have ${points}` })
  return { lines: faults.length > 0 ? [] : lines, faults: faults.slice(0, 20) }
}
