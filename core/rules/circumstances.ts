/** What a rule may ask that an event itself does not say. */
export interface Circumstances {
  /** Where the event came from: the name of a platform, or `api`. */
  platform: string
  /** When this viewer did the same kind of thing last; null: never before. */
  previousAtMs: number | null
}

/** What is assumed where nobody knows better: designing, measuring. */
export const plainCircumstances: Circumstances = { platform: 'alder', previousAtMs: null }
