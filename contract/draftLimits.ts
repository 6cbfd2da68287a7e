/** A save holds no more patches than this; what is more is said field by field. */
export const maxDraftPatches = 5_000
/** The body of a save: a box that is replaced whole has to fit. */
export const maxDraftBytes = 4 * 1024 * 1024
