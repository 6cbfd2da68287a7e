import { unzip, zip, type AsyncZippable, type Unzipped } from 'fflate'

/** How the page is called inside a pack: whoever takes the pack leaves it aside. */
export const proofName = 'proof-sheet.html'

/** A pack with its proof sheet beside what it holds. @throws where it is not a zip */
export async function packWithProof(pack: Uint8Array, page: string): Promise<Uint8Array> {
  const held = await new Promise<Unzipped>((resolve, reject) =>
    unzip(pack, (error, files) => (error ? reject(error) : resolve(files))),
  )
  const files: AsyncZippable = {}
  // Media are small already.
  for (const [name, bytes] of Object.entries(held)) files[name] = [bytes, { level: name.endsWith('.json') ? 6 : 0 }]
  files[proofName] = new TextEncoder().encode(page)
  return new Promise((resolve, reject) => zip(files, (error, data) => (error ? reject(error) : resolve(data))))
}
