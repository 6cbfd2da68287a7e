import { describe, expect, it } from 'vitest'
import { chatPage, consentPage } from './pages.ts'

describe('pages of a simulated platform', () => {
  it('show what they are given as words, never as markup', () => {
    const html =
      consentPage('alder', '<b>Thundercrest</b>', { state: '"><script>alert(1)</script>' }) +
      chatPage('birch', { account: '<i>x</i>', text: '<img src=x onerror=1>' })
    for (const forbidden of ['<b>Thundercrest', '<script>', '<i>x', '<img']) expect(html).not.toContain(forbidden)
    expect(html).toContain('value="&quot;&gt;&lt;script&gt;alert(1)&lt;/script&gt;"')
  })
  it('say that they are simulated, and send their forms to themselves', () => {
    for (const html of [consentPage('alder', 'Thundercrest', {}), chatPage('birch', null)]) {
      expect(html).toContain('(simulated)')
      expect(html).not.toMatch(/<form[^>]+action=/)
      expect(html).toMatch(/<html lang="en">/)
    }
  })
})
