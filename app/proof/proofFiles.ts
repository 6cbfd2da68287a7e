import { zip, type AsyncZippable } from 'fflate'
import { slugOf } from '../../core/slugOf.ts'
import { isWrong, type ProofRow } from '../components/proofs/proofRows.ts'
import { proofPage } from './proofPage.ts'
import type { ProofPicture } from './drawCase.ts'

/** A sheet to be saved. */
export interface SavedSheet {
  title: string
  ground: string
  rows: readonly { title: string; row: ProofRow }[]
  wordsOf: (shownWith: string) => string
  print: (pictures: { file: Blob; words: string }[], columns: number, title: string) => Promise<Blob>
}
interface SavedFile {
  file: Blob
  name: string
}

/** So many cases stand on one picture. */
const casesOnSheet = 6

const dataOf = (file: Blob) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result))
    reader.onerror = () => reject(new Error('unreadable'))
    reader.readAsDataURL(file)
  })

const beforeOf = ({ change }: ProofPicture) => (change && change !== 'new' ? change.before : null)

/** One page with all of it. */
export async function htmlOf({ title, ground, rows, wordsOf }: Omit<SavedSheet, 'print'>): Promise<string> {
  const saved: Parameters<typeof proofPage>[0]['rows'][number][] = []
  for (const { title: name, row } of rows) {
    const pictures: (typeof saved)[number]['pictures'][number][] = []
    for (const picture of row.pictures) {
      const before = beforeOf(picture)
      pictures.push({
        words: wordsOf(picture.shownWith),
        address: picture.picture && (await dataOf(picture.picture.file)),
        before: before && (await dataOf(before.file)),
        isWrong: isWrong(picture),
        isChanged: picture.change !== null,
      })
    }
    saved.push({
      title: name,
      remarks: row.remarks.map(({ remark, on }) => ({
        words: `${remark.words} ${on.map(wordsOf).join(', ')}`,
        isWrong: remark.level === 'wrong',
      })),
      pictures,
    })
  }
  const made = new Intl.DateTimeFormat('en', { dateStyle: 'long', timeStyle: 'short' }).format(new Date())
  return proofPage({ title, made, ground, rows: saved })
}

async function html(sheet: SavedSheet): Promise<SavedFile> {
  return {
    file: new Blob([await htmlOf(sheet)], { type: 'text/html' }),
    name: `${slugOf(sheet.title, 60) || 'proof-sheet'}.html`,
  }
}

/** A picture of some cases each; several in a zip. */
async function png({ title, rows, wordsOf, print }: SavedSheet): Promise<SavedFile> {
  const sheets: Blob[] = []
  const columns = Math.max(1, ...rows.map(({ row }) => row.pictures.length))
  for (let from = 0; from < rows.length; from += casesOnSheet) {
    const pictures = rows
      .slice(from, from + casesOnSheet)
      .flatMap(({ title: name, row }) =>
        row.pictures.flatMap((each) =>
          each.picture
            ? [{ file: each.picture.file, words: `${isWrong(each) ? '⚠ ' : ''}${name} · ${wordsOf(each.shownWith)}` }]
            : [],
        ),
      )
    if (pictures.length > 0) sheets.push(await print(pictures, columns, `${title}, ${from / casesOnSheet + 1}`))
  }
  const name = slugOf(title, 60) || 'proof-sheet'
  const [only] = sheets
  if (only && sheets.length === 1) return { file: only, name: `${name}.png` }
  const files: AsyncZippable = {}
  for (const [index, sheet] of sheets.entries())
    files[`${name}-${String(index + 1).padStart(2, '0')}.png`] = [
      new Uint8Array(await sheet.arrayBuffer()),
      { level: 0 },
    ]
  const zipped = await new Promise<Uint8Array>((resolve, reject) =>
    zip(files, (error, data) => (error ? reject(error) : resolve(data))),
  )
  return { file: new Blob([zipped as BlobPart], { type: 'application/zip' }), name: `${name}.zip` }
}

export const proofFiles = { html, png }
