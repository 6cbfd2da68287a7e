import { fileURLToPath } from 'node:url'
import { build, type Metafile } from 'esbuild'

const entry = 'player/source/main.ts'
const vectorWorker = 'player/vector/worker.ts'
const rootFolder = fileURLToPath(new URL('../..', import.meta.url))

/**
 * Bundles the source page's script. What only some alerts need (vector animations) is a piece of its own that comes
 * when it is asked for.
 * @param folder where the files go
 * @returns the path of the page's own script, and what went into which file
 */
export async function bundlePlayer(folder: string, isDev: boolean): Promise<{ script: string; metafile: Metafile }> {
  const { metafile } = await build({
    absWorkingDir: rootFolder,
    entryPoints: { source: entry },
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
  const [script] = Object.entries(metafile.outputs).find(([, { entryPoint }]) => entryPoint === entry) ?? []
  if (!script) throw new Error('The player was built without a script')
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
