/** A name as an id: small letters, digits and dashes, at most so many; empty where nothing of it can be written so. */
export function slugOf(name: string, most: number): string {
  return name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, most)
}
