/** Wraps a pure function of a text so that what it made of the last few is at hand; what it makes is never changed by anybody. */
export function lately<T>(read: (text: string) => T, most: number): (text: string) => T {
  const known = new Map<string, T>()
  return (text) => {
    const made = known.get(text) ?? read(text)
    known.delete(text)
    known.set(text, made)
    const [oldest] = known.keys()
    if (known.size > most && oldest !== undefined) known.delete(oldest)
    return made
  }
}
