/** What was typed with commas between: each once, without blanks around it. */
export const listed = (typed: string): string[] => [
  ...new Set(
    typed
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean),
  ),
]
