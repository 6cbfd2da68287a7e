/** A file that is not taken: one reason for a person, and what to do instead. */
export class Refusal extends Error {
  constructor(
    readonly reason: string,
    readonly advice: string,
    /** A browser could decode what is in it. */
    readonly canDecodeInBrowser = false,
  ) {
    super(reason)
  }
}
