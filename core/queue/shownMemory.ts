/** So many plays are remembered of a source. */
const kept = 200
/** The youngest are looked through one by one; so many of them become part of the rest at once. */
const youngMax = 24

/** Which plays a source says it has shown, the latest two hundred. Never changed: with one more it is another. */
export class ShownMemory {
  private constructor(
    private readonly rest: ReadonlySet<string>,
    private readonly young: readonly string[],
  ) {}

  static of(playIds: readonly string[]): ShownMemory {
    return new ShownMemory(new Set(playIds.slice(-kept)), [])
  }

  has(playId: string): boolean {
    return this.rest.has(playId) || this.young.includes(playId)
  }

  with(playId: string): ShownMemory {
    const young = [...this.young, playId]
    if (young.length < youngMax) return new ShownMemory(this.rest, young)
    return ShownMemory.of([...this.rest, ...young])
  }
}
