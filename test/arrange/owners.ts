import pg from 'pg'

/** The process that carries out a box, as the database knows it: its number; empty where nobody does. */
export async function ownerOf(url: string, boxId: string): Promise<string> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const { rows } = await client.query<{ process: string }>(
    'select node.process from lane join node on node.id = lane.owner where lane.id = $1',
    [`box:${boxId}`],
  )
  await client.end()
  return rows[0]?.process.split(' ')[0] ?? ''
}
