/**
 * The whole document of the source page.
 * @param scriptUrl null: the address is not valid (any more), and the page stays empty.
 * @param nonce what this one page names its own scripts and style sheets by
 */
export function sourceDocument(scriptUrl: string | null, nonce: string): string {
  const script = scriptUrl ? `<script type="module" nonce="${nonce}" src="${scriptUrl}"></script>` : ''
  return `<!doctype html><html lang="en" data-state="${scriptUrl ? 'connecting' : 'offline'}"><head><meta charset="utf-8"><meta property="csp-nonce" nonce="${nonce}"><title>${
    scriptUrl ? 'Thundercrest source' : 'This source address is not valid'
  }</title><style nonce="${nonce}">html,body{margin:0;height:100%;background:transparent;overflow:hidden}</style></head><body>${script}</body></html>`
}
