/** A minute of the day as a clock shows it, e.g. `22:05`. */
export const clockWords = (minute: number): string =>
  [Math.floor(minute / 60), minute % 60].map((each) => String(each).padStart(2, '0')).join(':')
