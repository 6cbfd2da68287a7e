/** A picture on a square of 640. */
export const square = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 640 640" width="640" height="640">${body}</svg>`

/** Copies of a drawing, turned about the middle. */
export const around = (count: number, body: (index: number) => string): string =>
  Array.from(
    { length: count },
    (_, index) => `<g transform="rotate(${(index * 360) / count} 320 320)">${body(index)}</g>`,
  ).join('')

/** A drawing moved and made larger or smaller. */
export const placed = (x: number, y: number, scale: number, body: string): string =>
  `<g transform="translate(${x} ${y}) scale(${scale})">${body}</g>`

/** A picture of sixteen by sixteen lamps: each letter of a row is a colour, a dot is none. */
export function lamps(rows: readonly string[], colours: Readonly<Record<string, string>>): string {
  const side = 640 / 16
  const lit = rows.flatMap((row, y) =>
    [...row].flatMap((letter, x) =>
      colours[letter]
        ? [`<rect x="${x * side}" y="${y * side}" width="${side}" height="${side}" fill="${colours[letter]}"/>`]
        : [],
    ),
  )
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 640 640" width="640" height="640" shape-rendering="crispEdges">${lit.join('')}</svg>`
}
