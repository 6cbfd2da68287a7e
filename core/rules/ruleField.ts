interface Said {
  id: string
  words: string
  /** Not every event of the kind says it: a message may be missing, an amount may be of a currency without a rate. */
  mayBeMissing: boolean
}
export interface FieldOption {
  value: string
  words: string
}

/** Something about an event that a rule may ask for. */
export type RuleField =
  /** Whole numbers from nought. `unit` follows a number in a sentence. */
  | (Said & { type: 'number'; unit: string })
  /** An amount, compared in minor units of the channel's currency. */
  | (Said & { type: 'money' })
  /** How long, in whole minutes. */
  | (Said & { type: 'span' })
  /** When, on the channel's clock and calendar: see `calendar.ts`. */
  | (Said & { type: 'clock' | 'season' | 'date' })
  | (Said & { type: 'choice'; options: readonly FieldOption[] })
  /** Several of its options may be true at once. */
  | (Said & { type: 'set'; options: readonly FieldOption[] })
  | (Said & { type: 'text' })

export const numberField = (id: string, words: string, unit = '', mayBeMissing = false): RuleField => ({
  id,
  type: 'number',
  words,
  unit,
  mayBeMissing,
})
export const textField = (id: string, words: string, mayBeMissing = false): RuleField => ({
  id,
  type: 'text',
  words,
  mayBeMissing,
})
export const choiceField = (
  id: string,
  words: string,
  options: Record<string, string>,
  mayBeMissing = false,
): RuleField => ({
  id,
  type: 'choice',
  words,
  options: Object.entries(options).map(([value, name]) => ({ value, words: name })),
  mayBeMissing,
})
