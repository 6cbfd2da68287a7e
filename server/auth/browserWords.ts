const engines: readonly (readonly [RegExp, string])[] = [
  [/\bGecko\/\d|\bFirefox\//, 'Gecko'],
  [/Chrom(?:e|ium)\/\d/, 'Chromium'],
  [/\bAppleWebKit\//, 'WebKit'],
]

/** A browser as its person tells it from others: by its engine, and whether it is in a hand. Empty: it does not say. */
export function browserWords(userAgent: string): string {
  const engine = engines.find(([sign]) => sign.test(userAgent))?.[1]
  if (!engine) return ''
  return `${engine} browser on a ${/\bMobile\b|\bAndroid\b/.test(userAgent) ? 'phone or tablet' : 'computer'}`
}
