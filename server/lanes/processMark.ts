import { createHash } from 'node:crypto'
import { readFileSync, readlinkSync } from 'node:fs'
import { hostname } from 'node:os'
import type { NodeMark } from '../db/queries/nodes.ts'

/** A boot of a machine, and the room of processes in it: two that name the same see each other's processes. */
function machine(): string {
  try {
    const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()
    return `${boot} ${readlinkSync('/proc/self/ns/pid')}`
  } catch {
    return `somewhere ${hostname()}`
  }
}

/** When a process began, in the machine's ticks; null: there is none, or it has ended and is only remembered. */
function beginOf(pid: string): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    // Behind the name, which may hold anything: the state first, when it began as the twentieth.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return fields[0] === 'Z' || fields[0] === 'X' ? null : (fields[19] ?? null)
  } catch {
    return null
  }
}

/** This process, as others can tell it. */
export function markOf(id: string, seal: string): NodeMark {
  const pid = String(process.pid)
  return { id, seal, machine: machine(), process: `${pid} ${beginOf(pid) ?? ''}` }
}

/**
 * Whether a node is known to be gone: it ran on this machine, and its process is not there any more. False where that cannot be
 * told.
 */
export function isGone(mark: NodeMark, own: NodeMark): boolean {
  if (mark.machine !== own.machine || mark.machine.startsWith('somewhere')) return false
  const [pid = '', began = ''] = mark.process.split(' ')
  return beginOf(pid) !== began
}

/** Of a secret so much that two processes can tell whether theirs is the same, and nobody what it is. */
export function sealOf(secret: string): string {
  return createHash('sha256').update(`seal ${secret}`).digest('base64url').slice(0, 16)
}
