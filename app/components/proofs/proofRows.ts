import { isSame } from '../../../core/isSame.ts'
import type { Remark } from '../../../core/remarks/remark.ts'
import type { RemarkType } from '../../../core/remarks/remarkTypes.ts'
import type { ProofPicture } from '../../proof/drawCase.ts'

/** Which pictures are looked at: those to mend, those worth a thought, what changed since on air, or all. */
export type ProofView = 'wrong' | 'advice' | 'changed' | 'all'

/** A remark and the pictures of a case that it is made on. */
export interface SharedRemark {
  remark: Remark
  on: readonly string[]
}

/** The pictures of one case that are looked at. */
export interface ProofRow {
  key: string
  pictures: readonly ProofPicture[]
  remarks: readonly SharedRemark[]
}

export const isWrong = ({ remarks }: Pick<ProofPicture, 'remarks'>) => remarks.some(({ level }) => level === 'wrong')

const isIn = (picture: ProofPicture, view: ProofView, type: RemarkType | null) => {
  if (type !== null && !picture.remarks.some((remark) => remark.type === type)) return false
  if (view === 'wrong') return isWrong(picture)
  if (view === 'advice') return picture.remarks.length > 0
  return view === 'all' || picture.change !== null
}

/** What is remarked of several pictures is said once, in the order of what is wrong. */
function sharedRemarks(pictures: readonly ProofPicture[], view: ProofView, type: RemarkType | null): SharedRemark[] {
  const shared: { remark: Remark; on: string[] }[] = []
  for (const { remarks, shownWith } of pictures)
    for (const remark of remarks) {
      if ((view === 'wrong' && remark.level !== 'wrong') || (type !== null && remark.type !== type)) continue
      // Of one part the same is said with numbers of its own on each picture.
      const known = shared.find((each) => each.remark.type === remark.type && isSame(each.remark.partId, remark.partId))
      if (known) known.on.push(shownWith)
      else shared.push({ remark, on: [shownWith] })
    }
  return shared.sort((a, b) => Number(b.remark.level === 'wrong') - Number(a.remark.level === 'wrong'))
}

/** The rows of a proof sheet, those with problems first, else in the order of the box. Linear in the pictures. */
export function proofRows(
  cases: readonly { key: string; pictures: readonly ProofPicture[] }[],
  view: ProofView,
  type: RemarkType | null,
): ProofRow[] {
  const rows = cases.flatMap(({ key, pictures }) => {
    const seen = pictures.filter((picture) => isIn(picture, view, type))
    return seen.length === 0 ? [] : [{ key, pictures: seen, remarks: sharedRemarks(seen, view, type) }]
  })
  const wrongs = ({ pictures }: ProofRow) => pictures.filter(isWrong).length
  return rows.sort((a, b) => Number(wrongs(b) > 0) - Number(wrongs(a) > 0))
}

/** How many pictures have each kind of remark, most first. */
export function countedRemarks(
  pictures: readonly ProofPicture[],
  isWrongOnly: boolean,
): { type: RemarkType; count: number }[] {
  const counts = new Map<RemarkType, number>()
  for (const { remarks } of pictures) {
    const types = new Set(remarks.filter(({ level }) => !isWrongOnly || level === 'wrong').map(({ type }) => type))
    for (const type of types) counts.set(type, (counts.get(type) ?? 0) + 1)
  }
  return [...counts].map(([type, count]) => ({ type, count })).sort((a, b) => b.count - a.count)
}
