import type { SolveError } from '../../../core/score/solve.ts'

/** Why a score cannot be played, in words. */
export function faultWords(fault: SolveError): string {
  switch (fault.type) {
    case 'cycle':
      return `These parts wait for each other: ${fault.partIds.join(', ')}. Let one of them start with the alert.`
    case 'missingPart':
      return `“${fault.partId}” hangs on “${fault.wanted}”, which is gone. Let it start with the alert.`
    case 'noNaturalLength':
      return `“${fault.partId}” should last as long as its file, but the file has no length.`
  }
}
