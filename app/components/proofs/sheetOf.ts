import { kindOfAlert, type Alert, type BoxDocument } from '../../../core/composition/box.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { BoardState } from '../../../core/board/boardStates.ts'
import type { SampleName } from '../../../core/events/sampleEvent.ts'
import { caseKey, proofCases } from '../../../core/proof/proofCases.ts'
import { sampleWords } from '../../format/sampleWords.ts'
import type { ProofPicture } from '../../proof/drawCase.ts'
import type { SavedSheet } from '../../proof/proofFiles.ts'
import { stateWords } from '../boards/stateWords.ts'
import { proofRows } from './proofRows.ts'

/** What a row of a proof sheet is about. */
export interface NamedCase {
  key: string
  /** Null: a board. */
  alert: Alert | null
  variationId: string
  kind: EventKind | null
  alertName: string
  caseName: string
}

/** All of a board is one row. */
export const boardKey = 'board'

/** The rows of a proof sheet in the order of the box. */
export function namedCases(document: BoxDocument, boxName: string): NamedCase[] {
  if (document.stays)
    return [
      {
        key: boardKey,
        alert: null,
        variationId: '',
        kind: null,
        alertName: boxName,
        caseName: 'in each of its states',
      },
    ]
  return proofCases(document).map(({ alert, variation }) => {
    const kind = kindOfAlert(alert)
    return {
      ...{ key: caseKey(alert.id, variation.id), alert, variationId: variation.id, kind },
      ...{ alertName: kind ? kindNames[kind] : alert.id, caseName: variation.name },
    }
  })
}

/** How what a picture is shown with is called: a sample, or the state of a board. */
export const shownWords = (document: Pick<BoxDocument, 'stays'>, shownWith: string): string =>
  document.stays ? stateWords[shownWith as BoardState].name.toLowerCase() : sampleWords[shownWith as SampleName]

/** All of a sheet, as it is saved. */
export function sheetOf(
  document: BoxDocument,
  boxName: string,
  drawn: ReadonlyMap<string, { made: readonly ProofPicture[] }>,
  ground: string,
): Omit<SavedSheet, 'print'> {
  const named = new Map(namedCases(document, boxName).map((each) => [each.key, each]))
  const cases = [...named.keys()].flatMap((key) => {
    const pictures = drawn.get(key)?.made
    return pictures ? [{ key, pictures }] : []
  })
  return {
    title: `Proof sheet of ${boxName}`,
    ground,
    rows: proofRows(cases, 'all', null).map((row) => {
      const of = named.get(row.key)
      return { title: `${of?.alertName ?? ''} · ${of?.caseName ?? ''}`, row }
    }),
    wordsOf: (shownWith) => shownWords(document, shownWith),
  }
}
