/** Gives a file to the person, as if it had been downloaded. */
export function saveFile(file: Blob, name: string): void {
  const url = URL.createObjectURL(file)
  Object.assign(document.createElement('a'), { href: url, download: name }).click()
  // Whoever saves it has taken it by then.
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}
