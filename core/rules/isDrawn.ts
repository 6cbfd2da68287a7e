import type { Coverage, VariationCoverage } from './coverage.ts'
import type { Region } from './region.ts'

/** A coverage that can be drawn: every region is there. */
export interface DrawnCoverage extends Coverage {
  variations: (VariationCoverage & { plays: Region; hidden: Region })[]
  gaps: Region
}

/** All regions are there or none is. */
export const isDrawn = (coverage: Coverage): coverage is DrawnCoverage => coverage.gaps !== null
