/** Which of two texts comes first, by their code units: the same on every machine. */
export const byText = (a: string, b: string): number => (a < b ? -1 : Number(a > b))
