/** A picture of a saved proof sheet: addresses are data, so that nothing else is needed. */
interface SavedPicture {
  words: string
  address: string | null
  before: string | null
  isWrong: boolean
  isChanged: boolean
}
export interface SavedProof {
  title: string
  /** When, for a person. */
  made: string
  ground: string
  rows: readonly {
    title: string
    remarks: readonly { words: string; isWrong: boolean }[]
    pictures: readonly SavedPicture[]
  }[]
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

const style = (ground: string) => `
body{margin:0;padding:24px 32px;background:#f3ecdd;color:#1b2230;font:15px/1.45 system-ui,sans-serif}
h1{margin:0;font-size:26px}h2{margin:0 0 4px;font-size:17px}p{margin:4px 0}.faded{color:#5d594d}
fieldset{border:0;margin:12px 0;padding:0;display:flex;gap:18px;flex-wrap:wrap}
section{border-top:1px solid #d8ccb4;padding:14px 0}
ul{margin:4px 0;padding:0;list-style:none}.remarks li::before{content:"·";margin-right:6px}.remarks .wrong{color:#a83a26}
.pictures{display:grid;grid-template-columns:repeat(auto-fill,minmax(220px,1fr));gap:12px}
figure{margin:0}img{display:block;width:100%;border-radius:4px;background:${ground};margin-bottom:3px}
.wrong>img:last-of-type{outline:2px solid #a83a26;outline-offset:-2px}figcaption{color:#5d594d}
body:has(#wrong:checked) .fine,body:has(#changed:checked) .same{display:none}
`

const figureOf = ({ words, address, before, isWrong, isChanged }: SavedPicture) =>
  `<li class="${isWrong ? 'bad' : 'fine'} ${isChanged ? 'other' : 'same'}"><figure class="${isWrong ? 'wrong' : ''}">` +
  (before ? `<img alt="${escaped(words)}, as it was on air" src="${before}">` : '') +
  (address ? `<img alt="${escaped(words)}" src="${address}">` : '<p>cannot be drawn</p>') +
  `<figcaption>${escaped(words)}${before ? ' (above: on air)' : ''}</figcaption></figure></li>`

/** A proof sheet as one page that needs nothing else: no script, no file, no network. */
export function proofPage({ title, made, ground, rows }: SavedProof): string {
  const all = rows.flatMap(({ pictures }) => pictures)
  const wrong = all.filter(({ isWrong }) => isWrong).length
  const choice = (id: string, words: string, isFirst = false) =>
    `<label><input type="radio" name="show" id="${id}"${isFirst ? ' checked' : ''}> ${words}</label>`
  const sections = rows.map(
    ({ title: name, remarks, pictures }) =>
      `<section class="${pictures.some(({ isWrong }) => isWrong) ? 'bad' : 'fine'} ${pictures.some(({ isChanged }) => isChanged) ? 'other' : 'same'}"><h2>${escaped(name)}</h2>` +
      `<ul class="remarks">${remarks.map(({ words, isWrong }) => `<li class="${isWrong ? 'wrong' : ''}">${escaped(words)}</li>`).join('')}</ul>` +
      `<ul class="pictures">${pictures.map(figureOf).join('')}</ul></section>`,
  )
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<title>${escaped(title)}</title><style>${style(ground)}</style></head>
<body><h1>${escaped(title)}</h1><p class="faded">${escaped(made)} · ${all.length} pictures, ${wrong} with something to mend</p>
<fieldset aria-label="Show">${choice('all', 'All', true)}${choice('wrong', `To mend (${wrong})`)}${choice('changed', `Since on air (${all.filter(({ isChanged }) => isChanged).length})`)}</fieldset>
${sections.join('\n')}</body></html>
`
}
