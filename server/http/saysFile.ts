import { setResponseHeaders, type H3Event } from 'h3'

const types = {
  csv: 'text/csv; charset=utf-8',
  ndjson: 'application/x-ndjson',
}

/** Says that what follows is a file to be kept, under a name; never one that was kept by the browser. */
export function saysFile(event: H3Event, name: string, as: keyof typeof types): void {
  setResponseHeaders(event, {
    'content-type': types[as],
    'content-disposition': `attachment; filename="${name}.${as}"`,
    'cache-control': 'no-store',
  })
}
