import { boxDocument, standsOnBoards, type BoxDocument } from '../composition/box.ts'
import { migrateBox } from '../composition/migrateBox.ts'
import { isLivePart, type Part } from '../score/parts/part.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/**
 * What was copied out of a box: parts of a case, or all of it. It comes with the box around it, which says how large its canvas is
 * and of which version it is; of that box there is nothing else.
 */
export interface Copied {
  what: 'parts' | 'case'
  from: BoxDocument
  address: VariationAddress
}

const mark = 'clipboard'
/** More than a case can be: such a text is not read. */
const lettersMost = 8_000_000

/**
 * Takes parts of a case, or all of it, out of a box.
 * @param partIds the parts; null: the case
 * @returns null where there is nothing of it
 */
export function copiedFrom(
  document: BoxDocument,
  address: VariationAddress,
  partIds: readonly string[] | null,
): Copied | null {
  const found = findVariation(document, address)
  if (!found) return null
  const { alert, variation } = found
  const { composition } = variation
  const parts = partIds ? composition.parts.filter(({ id }) => partIds.includes(id)) : composition.parts
  if (partIds && parts.length === 0) return null
  const alone = { ...alert, variations: [{ ...variation, composition: { ...composition, parts } }] }
  return {
    what: partIds ? 'parts' : 'case',
    address,
    from: { ...document, alerts: [alone], seasons: [], packs: [], design: null, policy: [] },
  }
}

/** The text that stands for it in the clipboard: JSON, which says what it is. */
export const clipboardText = ({ what, from }: Copied): string => JSON.stringify({ thundercrest: mark, what, box: from })

/** What is copied of a case. */
export const copiedParts = ({ from }: Copied): readonly Part[] => from.alerts[0]?.variations[0]?.composition.parts ?? []

/** Copied parts that have a place in a box or on a board. */
export const partsFor = (copied: Copied, target: Pick<BoxDocument, 'stays'>): Part[] =>
  copiedParts(copied).filter((part) => (target.stays ? standsOnBoards(part) : !isLivePart(part)))

/**
 * Reads a text of the clipboard, also one of an earlier version.
 * @returns `other`: nothing of ours; `broken`: ours, and of a later version or no longer whole
 */
export function readClipboard(text: string): Copied | 'other' | 'broken' {
  if (!text.slice(0, 200).includes('"thundercrest"') || text.length > lettersMost) return 'other'
  try {
    const said = JSON.parse(text) as { thundercrest?: unknown; what?: unknown; box?: unknown } | null
    if (said?.thundercrest !== mark) return 'other'
    const from = boxDocument.parse(migrateBox(said.box as BoxDocument))
    const [alert] = from.alerts
    const [variation] = alert?.variations ?? []
    if (!alert || !variation) return 'broken'
    return {
      what: said.what === 'parts' ? 'parts' : 'case',
      from,
      address: { alertId: alert.id, variationId: variation.id },
    }
  } catch {
    return 'broken'
  }
}
