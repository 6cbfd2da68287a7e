const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }
export const escaped = (text: string) => text.replace(/[&<>"']/g, (letter) => escapes[letter] ?? '')

const style = `
  :root { color-scheme: light; font: 16px/1.5 system-ui, sans-serif }
  body { margin: 0; min-height: 100vh; box-sizing: border-box; padding: 1rem; display: grid; place-items: center; background: #dfe7de; color: #16241b }
  main { box-sizing: border-box; width: 100%; max-width: 30rem; background: #fbfdf9; border: 1px solid #b9c7b8; padding: 2rem; overflow-wrap: anywhere }
  h1 { font-size: 1.4rem; line-height: 1.25; margin: 0 0 .75rem } ul { padding-left: 1.2rem } small { color: #465a4c }
  label { display: block; margin: 1rem 0 .25rem; font-weight: 600 }
  input { box-sizing: border-box; width: 100%; font: inherit; padding: .5rem; border: 1px solid #6d8272; background: #fff }
  button { font: inherit; font-weight: 600; padding: .55rem 1.1rem; margin: 1.25rem .5rem 0 0; border: 1px solid #1d5a38; background: #1d5a38; color: #fff; cursor: pointer }
  button.plain { background: #fff; color: #1d5a38 } :focus-visible { outline: 3px solid #2a72b8; outline-offset: 2px }`

/** A page of something that is simulated: it looks like nothing else here, so that nobody takes it for ours. */
export const standInPage = (title: string, body: string) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title><style>${style}</style></head><body><main>${body}</main></body></html>`

export const hiddenFields = (fields: Readonly<Record<string, string>>) =>
  Object.entries(fields)
    .map(([name, value]) => `<input type="hidden" name="${escaped(name)}" value="${escaped(value)}">`)
    .join('')
