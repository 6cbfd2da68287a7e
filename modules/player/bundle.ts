import { fileURLToPath } from 'node:url'
import { build, type Metafile } from 'esbuild'

const vectorWorker = 'player/vector/worker.ts'
const rootFolder = fileURLToPath(new URL('../..', import.meta.url))

/** The scripts of the pages that browser sources are. */
const entries = { source: 'player/source/main.ts', board: 'player/board/main.ts' }
export type PlayerPage = keyof typeof entries

/**
 * Bundles the script of a page. What only some of what it plays needs (vector animations) is a piece of its own that comes
 * when it is asked for. Each page has its own pieces: what one of them needs makes no other larger.
 * @param folder where the files go
 * @returns the path of the page's own script, and what went into which file
 */
export async function bundlePlayer(
  page: PlayerPage,
  folder: string,
  isDev: boolean,
): Promise<{ script: string; metafile: Metafile }> {
  const { metafile } = await build({
    absWorkingDir: rootFolder,
    entryPoints: { [page]: entries[page] },
    outdir: folder,
    entryNames: isDev ? '[name].dev' : '[name].[hash]',
    chunkNames: '[name].[hash]',
    bundle: true,
    splitting: true,
    metafile: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    legalComments: 'none',
  })
  const [script] = Object.entries(metafile.outputs).find(([, { entryPoint }]) => entryPoint === entries[page]) ?? []
  if (!script) throw new Error(`The player was built without the script of the ${page} page`)
  return { script, metafile }
}

/** Bundles what draws vector animations: a worker, under a name of its own that does not change. */
export async function bundleVectorWorker(folder: string): Promise<void> {
  await build({
    absWorkingDir: rootFolder,
    entryPoints: { vector: vectorWorker },
    outdir: folder,
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    legalComments: 'none',
  })
}
