const earliestMs = Date.UTC(2000, 0, 1)
const latestMs = Date.UTC(2100, 0, 1)

/** Whether an event can have happened then: what is kept has to be a date, and clocks that are off by centuries are none. */
export function isDateOfEvents(occurredAtMs: number): boolean {
  return occurredAtMs >= earliestMs && occurredAtMs < latestMs
}

/** What is said of a time at which nothing can have happened. */
export const noDateOfEvents = 'is none at which anything happened here (2000 to 2099)'
