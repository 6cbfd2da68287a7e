/** A number with its noun: `1 source`, `2 sources`. All our nouns take an s. */
export function counted(count: number, noun: string): string {
  return `${count} ${count === 1 ? noun : `${noun}s`}`
}
