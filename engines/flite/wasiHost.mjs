// What a WebAssembly program of the command kind needs of its surroundings (WASI preview 1), in memory: its arguments,
// one folder of files, a clock. Node's own host ends the whole process where this program ends, so it is not used.

/** Ends a run: thrown through the program by what it calls to end. */
class Ended extends Error {
  constructor(code) {
    super(`ended with ${code}`)
    this.code = code
  }
}

const [success, badFile, noEntry, notHere] = [0, 8, 44, 52]
const [isFolder, isFile] = [3, 4]
const [makes, empties] = [1, 8]
const folder = 3

/**
 * Runs a program once.
 * @param module a compiled program that exports `_start` and `memory`
 * @param args its arguments, its own name first
 * @returns how it ended, and the files that it wrote, by name
 */
export function runProgram(module, args) {
  const files = new Map()
  const opened = new Map([
    [0, null],
    [1, null],
    [2, null],
  ])
  let nextOpened = folder + 1
  let memory
  const view = () => new DataView(memory.buffer)
  const words = args.map((arg) => new TextEncoder().encode(`${arg}\0`))
  const vectors = (at, count) =>
    Array.from({ length: count }, (_, index) => [
      view().getUint32(at + index * 8, true),
      view().getUint32(at + index * 8 + 4, true),
    ])
  const nowNs = () => BigInt(Math.round(performance.now() * 1e6))

  const host = {
    args_sizes_get(countAt, sizeAt) {
      view().setUint32(countAt, words.length, true)
      view().setUint32(
        sizeAt,
        words.reduce((sum, { length }) => sum + length, 0),
        true,
      )
      return success
    },
    args_get(pointersAt, bytesAt) {
      for (const [index, word] of words.entries()) {
        view().setUint32(pointersAt + index * 4, bytesAt, true)
        new Uint8Array(memory.buffer, bytesAt).set(word)
        bytesAt += word.length
      }
      return success
    },
    clock_time_get(_clock, _precision, at) {
      view().setBigUint64(at, nowNs(), true)
      return success
    },
    fd_close: (fd) => (opened.delete(fd) ? success : badFile),
    fd_fdstat_get(fd, at) {
      if (fd !== folder && !opened.has(fd)) return badFile
      new Uint8Array(memory.buffer, at, 24).fill(0)
      view().setUint8(at, fd === folder ? isFolder : isFile)
      view().setBigUint64(at + 8, ~0n & 0xffffffffffffffffn, true)
      view().setBigUint64(at + 16, ~0n & 0xffffffffffffffffn, true)
      return success
    },
    fd_fdstat_set_flags: () => success,
    fd_prestat_get(fd, at) {
      if (fd !== folder) return badFile
      view().setUint8(at, 0)
      view().setUint32(at + 4, 1, true)
      return success
    },
    fd_prestat_dir_name(fd, at) {
      if (fd !== folder) return badFile
      new Uint8Array(memory.buffer)[at] = '/'.charCodeAt(0)
      return success
    },
    fd_read(fd, at, count, readAt) {
      const file = opened.get(fd)
      if (file === undefined) return badFile
      let read = 0
      for (const [start, length] of file ? vectors(at, count) : []) {
        const piece = file.bytes.subarray(file.at, Math.min(file.at + length, file.length))
        new Uint8Array(memory.buffer, start).set(piece)
        file.at += piece.length
        read += piece.length
      }
      view().setUint32(readAt, read, true)
      return success
    },
    fd_seek(fd, offset, whence, at) {
      const file = opened.get(fd)
      if (!file) return file === null ? notHere : badFile
      const from = { 1: file.at, 2: file.length }[whence] ?? 0
      file.at = Math.max(0, Number(offset) + from)
      view().setBigUint64(at, BigInt(file.at), true)
      return success
    },
    fd_write(fd, at, count, writtenAt) {
      const file = opened.get(fd)
      if (file === undefined) return badFile
      let written = 0
      for (const [start, length] of vectors(at, count)) {
        if (file) write(file, new Uint8Array(memory.buffer, start, length))
        written += length
      }
      view().setUint32(writtenAt, written, true)
      return success
    },
    path_open(_fd, _look, nameAt, nameLength, how, _rights, _inheriting, _flags, openedAt) {
      const name = new TextDecoder().decode(new Uint8Array(memory.buffer, nameAt, nameLength))
      if (!files.has(name) && !(how & makes)) return noEntry
      const file = files.get(name) ?? { bytes: new Uint8Array(1 << 16), length: 0, at: 0 }
      file.at = 0
      if (how & empties) file.length = 0
      files.set(name, file)
      opened.set(nextOpened, file)
      view().setUint32(openedAt, nextOpened++, true)
      return success
    },
    proc_exit(code) {
      throw new Ended(code)
    },
  }

  const instance = new WebAssembly.Instance(module, { wasi_snapshot_preview1: host })
  memory = instance.exports.memory
  let code = 0
  try {
    instance.exports._start()
  } catch (error) {
    if (!(error instanceof Ended)) throw error
    code = error.code
  }
  return { code, files: new Map([...files].map(([name, { bytes, length }]) => [name, bytes.subarray(0, length)])) }
}

function write(file, piece) {
  const end = file.at + piece.length
  if (end > file.bytes.length) {
    const larger = new Uint8Array(Math.max(end, file.bytes.length * 2))
    larger.set(file.bytes)
    file.bytes = larger
  }
  file.bytes.set(piece, file.at)
  file.at = end
  file.length = Math.max(file.length, end)
}
