/**
 * The whole document of the source page.
 * @param scriptUrl null: the address is not valid (any more), and the page stays empty.
 */
export function sourceDocument(scriptUrl: string | null): string {
  const script = scriptUrl ? `<script type="module" src="${scriptUrl}"></script>` : ''
  return `<!doctype html><html lang="en" data-state="${scriptUrl ? 'connecting' : 'offline'}"><head><meta charset="utf-8"><title>${
    scriptUrl ? 'Thundercrest source' : 'This source address is not valid'
  }</title><style>html,body{margin:0;height:100%;background:transparent;overflow:hidden}</style></head><body>${script}</body></html>`
}
