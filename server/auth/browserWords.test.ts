import { expect, it } from 'vitest'
import { browserWords } from './browserWords.ts'

it.each([
  [
    'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) HeadlessChrome/131.0 Safari/537.36',
    'Chromium browser on a computer',
  ],
  ['Mozilla/5.0 (X11; Linux x86_64; rv:130.0) Gecko/20100101 Firefox/130.0', 'Gecko browser on a computer'],
  [
    'Mozilla/5.0 (phone) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Mobile/15E148 Safari/604.1',
    'WebKit browser on a phone or tablet',
  ],
  ['curl/8.5.0', ''],
])('a browser is told by its engine: %s', (userAgent, words) => expect(browserWords(userAgent)).toBe(words))
