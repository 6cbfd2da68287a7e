import { escaped, hiddenFields, standInPage } from '../page.ts'

const titled = (platform: string) => platform.charAt(0).toUpperCase() + platform.slice(1)

/** Where somebody allows a program to hear what happens on their channel. */
export function consentPage(platform: string, program: string, request: Readonly<Record<string, string>>): string {
  return standInPage(
    `${titled(platform)} (simulated): allow ${program}?`,
    `<h1>Let ${escaped(program)} hear what happens on your channel?</h1>
<p><small>This is a simulated ${titled(platform)}. It stands in for a streaming platform and nothing leaves this machine.</small></p>
<ul><li>It hears events of your channel: who follows, gives, tips, redeems and chats.</li><li>It cannot broadcast, write in your chat or see your password.</li></ul>
<form method="post">${hiddenFields(request)}<label for="account">Signed in as</label><input id="account" name="account" value="my-channel" required maxlength="60" pattern="[\\w\\-]+" title="letters, digits, - and _">
<button name="answer" value="allow">Allow</button><button class="plain" name="answer" value="refuse" formnovalidate>Refuse</button></form>`,
  )
}

/** The chat of a channel, as far as it takes to post a code. */
export function chatPage(platform: string, said: { account: string; text: string } | null): string {
  return standInPage(
    `${titled(platform)} (simulated): chat`,
    `<h1>The chat of your channel</h1><p><small>This is a simulated ${titled(platform)}. Whoever can write here as the channel’s owner owns the channel: that is what a code proves.</small></p>
${said ? `<p role="status"><b>${escaped(said.account)}</b>: ${escaped(said.text)}</p>` : ''}
<form method="post"><label for="account">Your channel</label><input id="account" name="account" value="${escaped(said?.account ?? 'my-channel')}" required maxlength="60"><label for="text">Say something</label><input id="text" name="text" required maxlength="200" autocomplete="off"><button>Say it</button></form>`,
  )
}
