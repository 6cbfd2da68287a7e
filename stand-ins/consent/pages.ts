const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }
const escaped = (text: string) => text.replace(/[&<>"']/g, (letter) => escapes[letter] ?? '')
const titled = (platform: string) => platform.charAt(0).toUpperCase() + platform.slice(1)

const style = `
  :root { color-scheme: light; font: 16px/1.5 system-ui, sans-serif }
  body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #dfe7de; color: #16241b }
  main { width: min(26rem, calc(100vw - 4rem)); background: #fbfdf9; border: 1px solid #b9c7b8; padding: 2rem }
  h1 { font-size: 1.4rem; line-height: 1.25; margin: 0 0 .75rem } ul { padding-left: 1.2rem } small { color: #465a4c }
  label { display: block; margin: 1rem 0 .25rem; font-weight: 600 }
  input { box-sizing: border-box; width: 100%; font: inherit; padding: .5rem; border: 1px solid #6d8272; background: #fff }
  button { font: inherit; font-weight: 600; padding: .55rem 1.1rem; margin: 1.25rem .5rem 0 0; border: 1px solid #1d5a38; background: #1d5a38; color: #fff; cursor: pointer }
  button.plain { background: #fff; color: #1d5a38 } :focus-visible { outline: 3px solid #2a72b8; outline-offset: 2px }`

const page = (title: string, body: string) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title><style>${style}</style></head><body><main>${body}</main></body></html>`
const hidden = (fields: Readonly<Record<string, string>>) =>
  Object.entries(fields)
    .map(([name, value]) => `<input type="hidden" name="${escaped(name)}" value="${escaped(value)}">`)
    .join('')

/** Where somebody allows a program to hear what happens on their channel. */
export function consentPage(platform: string, program: string, request: Readonly<Record<string, string>>): string {
  return page(
    `${titled(platform)} (simulated): allow ${program}?`,
    `<h1>Let ${escaped(program)} hear what happens on your channel?</h1>
<p><small>This is a simulated ${titled(platform)}. It stands in for a streaming platform and nothing leaves this machine.</small></p>
<ul><li>It hears events of your channel: who follows, gives, tips, redeems and chats.</li><li>It cannot broadcast, write in your chat or see your password.</li></ul>
<form method="post">${hidden(request)}<label for="account">Signed in as</label><input id="account" name="account" value="my-channel" required maxlength="60" pattern="[\\w\\-]+" title="letters, digits, - and _">
<button name="answer" value="allow">Allow</button><button class="plain" name="answer" value="refuse" formnovalidate>Refuse</button></form>`,
  )
}

/** The chat of a channel, as far as it takes to post a code. */
export function chatPage(platform: string, said: { account: string; text: string } | null): string {
  return page(
    `${titled(platform)} (simulated): chat`,
    `<h1>The chat of your channel</h1><p><small>This is a simulated ${titled(platform)}. Whoever can write here as the channel’s owner owns the channel: that is what a code proves.</small></p>
${said ? `<p role="status"><b>${escaped(said.account)}</b>: ${escaped(said.text)}</p>` : ''}
<form method="post"><label for="account">Your channel</label><input id="account" name="account" value="${escaped(said?.account ?? 'my-channel')}" required maxlength="60"><label for="text">Say something</label><input id="text" name="text" required maxlength="200" autocomplete="off"><button>Say it</button></form>`,
  )
}
