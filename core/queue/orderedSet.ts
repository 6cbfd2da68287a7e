/** A node of the tree. `sum` is the weight of all below it and its own. */
interface Node<V> {
  readonly value: V
  readonly left: Node<V> | null
  readonly right: Node<V> | null
  readonly size: number
  readonly sum: number
}

export interface OrderedBy<K, V extends K> {
  /** Which of two comes first; 0: they are the same. */
  compare: (a: K, b: K) => number
  /** What `sum` adds up; without it, nothing. */
  weigh?: (value: V) => number
}

/**
 * A set in order that is never changed: each change gives another set, which shares with the one before all but the way
 * to what has changed. A weight-balanced tree, with the parameters that were proved to keep it balanced (Hirai and
 * Yamamoto, "Balancing weight-balanced trees", 2011). Finding, adding, taking out: O(log n), about thirty comparisons
 * among 10,000. The first, how many, and the sum of all: at once.
 */
export class OrderedSet<K, V extends K = K> {
  private constructor(
    private readonly by: OrderedBy<K, V>,
    private readonly root: Node<V> | null,
  ) {}

  static empty<K, V extends K = K>(by: OrderedBy<K, V>): OrderedSet<K, V> {
    return new OrderedSet(by, null)
  }

  get size(): number {
    return sizeOf(this.root)
  }

  /** What all weigh together. */
  get sum(): number {
    return sumOf(this.root)
  }

  get first(): V | null {
    let node = this.root
    while (node?.left) node = node.left
    return node?.value ?? null
  }

  find(key: K): V | null {
    const { compare } = this.by
    let node = this.root
    while (node) {
      const order = compare(key, node.value)
      if (order === 0) return node.value
      node = order < 0 ? node.left : node.right
    }
    return null
  }

  /** With a value, in the place of the one that is the same. */
  with(value: V): OrderedSet<K, V> {
    return new OrderedSet(this.by, this.inserted(this.root, value))
  }

  /** Without a value; itself where it is not there. */
  without(key: K): OrderedSet<K, V> {
    const root = this.removed(this.root, key)
    return root === this.root ? this : new OrderedSet(this.by, root)
  }

  *[Symbol.iterator](): Generator<V> {
    yield* walk(this.root)
  }

  /** From a key on: that, or what comes after it. */
  *from(key: K): Generator<V> {
    const { compare } = this.by
    const later: Node<V>[] = []
    for (let node = this.root; node;) {
      if (compare(key, node.value) <= 0) {
        later.push(node)
        node = node.left
      } else node = node.right
    }
    for (let node = later.pop(); node; node = later.pop()) {
      yield node.value
      yield* walk(node.right)
    }
  }

  private inserted(node: Node<V> | null, value: V): Node<V> {
    if (!node) return this.node(value, null, null)
    const order = this.by.compare(value, node.value)
    if (order === 0) return this.node(value, node.left, node.right)
    return order < 0
      ? this.balanced(node.value, this.inserted(node.left, value), node.right)
      : this.balanced(node.value, node.left, this.inserted(node.right, value))
  }

  private removed(node: Node<V> | null, key: K): Node<V> | null {
    if (!node) return null
    const order = this.by.compare(key, node.value)
    if (order === 0) return this.joined(node.left, node.right)
    if (order < 0) {
      const left = this.removed(node.left, key)
      return left === node.left ? node : this.balanced(node.value, left, node.right)
    }
    const right = this.removed(node.right, key)
    return right === node.right ? node : this.balanced(node.value, node.left, right)
  }

  /** Two sides of what was taken out. */
  private joined(left: Node<V> | null, right: Node<V> | null): Node<V> | null {
    if (!left) return right
    if (!right) return left
    let first = right
    while (first.left) first = first.left
    return this.balanced(first.value, left, this.removed(right, first.value))
  }

  private balanced(value: V, left: Node<V> | null, right: Node<V> | null): Node<V> {
    const leftWeight = sizeOf(left) + 1
    const rightWeight = sizeOf(right) + 1
    if (right && rightWeight > 3 * leftWeight) {
      const { left: inner, right: outer } = right
      if (!inner || sizeOf(inner) + 1 < 2 * (sizeOf(outer) + 1))
        return this.node(right.value, this.node(value, left, inner), outer)
      return this.node(inner.value, this.node(value, left, inner.left), this.node(right.value, inner.right, outer))
    }
    if (left && leftWeight > 3 * rightWeight) {
      const { left: outer, right: inner } = left
      if (!inner || sizeOf(inner) + 1 < 2 * (sizeOf(outer) + 1))
        return this.node(left.value, outer, this.node(value, inner, right))
      return this.node(inner.value, this.node(left.value, outer, inner.left), this.node(value, inner.right, right))
    }
    return this.node(value, left, right)
  }

  private node(value: V, left: Node<V> | null, right: Node<V> | null): Node<V> {
    const own = this.by.weigh ? this.by.weigh(value) : 0
    return { value, left, right, size: sizeOf(left) + sizeOf(right) + 1, sum: sumOf(left) + sumOf(right) + own }
  }
}

const sizeOf = (node: Node<unknown> | null): number => (node === null ? 0 : node.size)
const sumOf = (node: Node<unknown> | null): number => (node === null ? 0 : node.sum)

function* walk<V>(root: Node<V> | null): Generator<V> {
  const above: Node<V>[] = []
  let node = root
  while (node || above.length > 0) {
    while (node) {
      above.push(node)
      node = node.left
    }
    const next = above.pop()
    if (!next) return
    yield next.value
    node = next.right
  }
}
