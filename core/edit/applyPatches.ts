import type { Patches } from 'mutative'

/** Lists are never longer while they are patched; a box that is valid has none that comes near it. */
const longestList = 5_000

type Node = Record<string, unknown> | unknown[]
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null
const forbidden = new Set(['__proto__', 'constructor', 'prototype'])

/**
 * Applies patches, as the library that makes them means them, to plain JSON: only what they touch is copied, once, so that
 * thousands of them take milliseconds. (The library's own way builds a watched draft of every step.)
 * @throws RangeError for a patch that leads nowhere
 */
export function applyPatches<T extends object>(document: T, patches: Patches): T {
  const copied = new Set<Node>()
  const own = (node: Node): Node => {
    if (copied.has(node)) return node
    const copy = Array.isArray(node) ? [...node] : { ...node }
    copied.add(copy)
    return copy
  }
  let root: unknown = document
  for (const { op, path, value } of patches) {
    if (typeof path === 'string') throw new RangeError('applyPatches: a path is a list of steps')
    // A patch may be applied again: what it brings is never what stands in a document.
    const given = copyOf(value as unknown)
    if (path.length === 0) {
      if (op !== 'replace') throw new RangeError('applyPatches: the whole can only be replaced')
      root = given
      continue
    }
    if (!isNode(root)) throw new RangeError('applyPatches: there is nothing to change')
    root = own(root)
    let node = root as Node
    for (const step of path.slice(0, -1)) {
      const next = read(node, step)
      if (!isNode(next)) throw new RangeError('applyPatches: a patch leads nowhere')
      const copy = own(next)
      write(node, step, copy)
      node = copy
    }
    change(node, op, path.at(-1) ?? '', given)
  }
  return root as T
}

function copyOf(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(copyOf)
  if (!isNode(value)) return value
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, copyOf(each)]))
}

function read(node: Node, step: string | number): unknown {
  if (Array.isArray(node)) return node[Number(step)]
  return Object.hasOwn(node, step) ? node[step] : undefined
}

function write(node: Node, step: string | number, value: unknown): void {
  if (forbidden.has(String(step))) throw new RangeError('applyPatches: this is no field')
  if (Array.isArray(node)) node[indexIn(step)] = value
  else node[step] = value
}

function change(node: Node, op: string, step: string | number, value: unknown): void {
  if (!Array.isArray(node)) {
    if (op === 'remove') delete node[step]
    else write(node, step, value)
    return
  }
  if (op === 'replace' && step === 'length') {
    // A list is only ever cut off in this way.
    if (typeof value !== 'number' || !(value >= 0 && value <= node.length))
      throw new RangeError('applyPatches: no such length')
    node.length = value
    return
  }
  const index = step === '-' ? node.length : indexIn(step)
  if (index > node.length || node.length >= longestList) throw new RangeError('applyPatches: no such place in the list')
  if (op === 'add') node.splice(index, 0, value)
  else if (op === 'remove') node.splice(index, 1)
  else node[index] = value
}

function indexIn(step: string | number): number {
  const index = Number(step)
  if (!Number.isInteger(index) || index < 0) throw new RangeError('applyPatches: no such place in the list')
  return index
}
