import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterCode } from '../../../composition/starterCode.ts'
import { sampleEvent } from '../../../events/sampleEvent.ts'
import { lanternLook } from '../../../look/lanternLook.ts'
import { resolveScore } from '../../resolve.ts'
import { sceneAt } from '../../sceneAt.ts'
import { plainBox } from '../../../composition/plainBox.ts'
import { dialFor } from '../../../pack/dialFor.ts'
import { turned } from '../../../pack/turnDials.ts'
import { codeTemplates } from './codeTemplates.ts'
import { cssString } from './cssString.ts'
import { lettersOfCode } from './lettersOfCode.ts'
import { readMarkup, type CodeNode } from './readMarkup.ts'
import { readStyle } from './readStyle.ts'
import { code, codeLimits, type Code } from './schema.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const said = (html: string) => readMarkup(html).problems.map(({ reason }) => reason)
const saidOfCss = (css: string) => readStyle(css).problems.map(({ reason }) => reason)
const elementsIn = (nodes: readonly CodeNode[]): Exclude<CodeNode, string>[] =>
  nodes.flatMap((node) => (typeof node === 'string' ? [] : [node, ...elementsIn(node.children)]))

function settled(changes: Partial<Code>, viewer: Parameters<typeof sampleEvent>[1] = 'everyday') {
  const part = { ...starterCode(canvas), ...changes }
  expect(code.safeParse(part).error).toBeUndefined()
  const composition = { version: 4 as const, length: { rule: 'fixed' as const, ms: 6000 }, parts: [part], silenced: [] }
  const result = resolveScore(composition, {
    ...{ canvas, look: lanternLook, zones: [], event: sampleEvent('tip', viewer), locale: 'en-IE', media: {} },
  })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  const [resolved] = result.value.parts
  if (resolved?.kind !== 'code') throw new Error('it is code')
  return { resolved, score: result.value }
}

const boxWith = (part: Code) =>
  plainBox(canvas, [
    {
      ...{ id: 'follow', kinds: ['follow'], isOn: true, offer: null },
      variations: [
        {
          ...{ id: 'everyday', name: 'Everyday', rule: null, share: null },
          composition: { version: 4, length: { rule: 'fixed', ms: 6000 }, parts: [part], silenced: [] },
        },
      ],
    },
  ])

describe('markup of one’s own', () => {
  it('keeps what is laid out and drawn, with its blanks', () => {
    const { nodes, problems } = readMarkup(
      '<p class="a" id=b>Hi <b>you</b> &amp; me<br></p><svg viewBox="0 0 9 9"><linearGradient id="g"/><circle r="4" fill="url(#g)"/></svg>',
    )
    expect(problems).toEqual([])
    expect(nodes[0]).toMatchObject({
      tag: 'p',
      attributes: { class: 'a', id: 'b' },
      children: ['Hi ', { tag: 'b' }, ' & me', { tag: 'br' }],
    })
    expect(elementsIn(nodes).map(({ tag, isDrawn }) => [tag, isDrawn])).toEqual([
      ['p', false],
      ['b', false],
      ['br', false],
      ['svg', true],
      ['linearGradient', true],
      ['circle', true],
    ])
  })
  it.each([
    ['<script>alert(1)</script>', 'nothing runs here'],
    ['<p onclick="x()">a</p>', 'nothing runs here'],
    ['<img src="https://example.invalid/a.png">', 'nothing is loaded here'],
    ['<style>@import "a.css"</style>', 'styles stand in the CSS'],
    ['<svg><use href="https://example.invalid/#a"/></svg>', 'it has no use here'],
    ['<svg><foreignObject><body onload="x()"/></foreignObject></svg>', 'it is not one of the elements'],
    ['<svg><animate attributeName="href" to="javascript:1"/></svg>', 'it is not one of the elements'],
    ['<a href="javascript:1">a</a>', 'it is not one of the elements'],
    ['<p style="background: u\\72l(/a.png)">a</p>', 'nothing is loaded here'],
    ['<div><b>a</div>', 'is not closed'],
  ])('%s: is told', (html, reason) => {
    expect(said(html).join('; ')).toContain(reason)
    expect(JSON.stringify(readMarkup(html).nodes)).not.toMatch(
      /example\.invalid|javascript|alert|onclick|onload|a\.png/,
    )
  })
  it('is never more than it may be, however much is sent', () => {
    const many = readMarkup('<b></b>'.repeat(codeLimits.elements + 500))
    expect([elementsIn(many.nodes).length, many.problems.length]).toEqual([codeLimits.elements, 1])
    const deep = readMarkup('<b>'.repeat(2000) + 'x')
    expect(elementsIn(deep.nodes).length).toBeLessThanOrEqual(codeLimits.depth)
  })
  it('holds nothing but what is allowed, whatever it is made of', () => {
    const scrap = fc.constantFrom(
      '<b>',
      '</b>',
      '<script>',
      '</script>',
      '<svg>',
      '</svg>',
      '<IMG SRC=x onerror=y>',
      '<!--',
      '-->',
      '"',
      '<p ',
      'onload=1',
      '>',
      '{name}',
      '<![CDATA[',
      '<style>',
      '</',
      '&lt;script>',
      '\u0000',
    )
    fc.assert(
      fc.property(fc.array(scrap, { maxLength: 40 }), (scraps) => {
        for (const { tag, attributes } of elementsIn(readMarkup(scraps.join('')).nodes)) {
          expect(tag).not.toMatch(/^(?:script|style|img|iframe)$/i)
          expect(Object.keys(attributes).some((name) => /^on|^src$/i.test(name))).toBe(false)
        }
      }),
    )
  })
})

describe('a style sheet of one’s own', () => {
  it('is left as it was written where nothing is wrong with it', () => {
    const css =
      '/* a */ @keyframes x { to { rotate: 1turn } } .a::before { content: "{x}"; fill: url(#g); background: url("data:image/png;base64,AAAA") }'
    expect(readStyle(css)).toEqual({ css, problems: [] })
  })
  it.each([
    ['@import url("a.css");', '@import is left out'],
    ['@IMPORT "a.css";', '@import is left out'],
    ['@\\69mport "a.css";', '@import is left out'],
    ['@font-face { font-family: a; src: url(a.woff2) }', '@font-face is left out'],
    ['a { background: url(https://example.invalid/a.png) }', 'url() is left out'],
    ['a { background: u\\52l("//example.invalid/a.png") }', 'url() is left out'],
    ['a { background: image-set("a.png" 1x) }', 'image-set() is left out'],
    ['a { background: -webkit-cross-fade(url(a.png), url(b.png), 50%) }', '-webkit-cross-fade() is left out'],
    ['a { background: url("data:text/html,<script>") }', 'url() is left out'],
    ['a { position: fixed }', 'stays within the box'],
    ['a { color: red', 'a brace that is not closed'],
    ['} a { color: red }', 'a closing brace without one that opens'],
    ['a { content: "b\n }', 'a text in quotes that is not closed'],
    [':has(a) '.repeat(30) + '{}', 'more than 20 times :has()'],
  ])('%s: is told', (css, reason) => {
    expect(saidOfCss(css).join('; ')).toContain(reason)
  })
  it('loads nothing, whatever it is made of', () => {
    const scrap = fc.constantFrom(
      'url(',
      'u\\72l(',
      'URL("',
      '"',
      ')',
      '@import ',
      'a.png',
      'image-set(',
      '/*',
      '*/',
      '\\',
      '\n',
      '{',
      '}',
      ';',
      'x:',
      "'",
      'src(',
    )
    fc.assert(
      fc.property(fc.array(scrap, { maxLength: 30 }), (scraps) => {
        const { css } = readStyle(scraps.join(''))
        // Read once more, nothing is left to be taken out.
        expect(readStyle(css).problems.filter(({ reason }) => reason.includes('nothing is loaded'))).toEqual([])
      }),
    )
  })
})

describe('a code part', () => {
  it('is filled as text: what a viewer is called is neither markup nor a rule', () => {
    const { resolved } = settled({
      html: '<p>{name} gave {amount}</p><i> to </i>',
      properties: { line: { kind: 'words', template: '{name}!' } },
    })
    expect(JSON.stringify(resolved.nodes)).toContain('gave \u2068€25.00\u2069')
    const name = '</p><script>"); } * { color: red } \\'
    const hostile = cssString(name)
    expect(hostile).not.toMatch(/[<\n]|(?<!\\)"(?!$)(?<!^")/)
    const [text] = readStyle(`a { content: ${hostile} }`).css.match(/"[^"]*"/) ?? []
    expect(text).toBe(hostile)
    expect(resolved.properties['--line']).toMatch(/^"[^"]+!"$/)
    expect(resolved.nodes[1]).toMatchObject({ children: [' to '] })
  })
  it('takes up the look, the event and the time', () => {
    const { resolved, score } = settled({
      css: 'b { opacity: var(--enter); width: calc(var(--t) * 1px) } i { left: var(--tea) }',
      properties: { rim: { kind: 'colour', ink: { role: 'glow' } }, wide: { kind: 'number', value: 3.5, unit: 'em' } },
    })
    expect(resolved.properties).toMatchObject({
      '--accent': lanternLook.palette.accent,
      '--rim': lanternLook.palette.glow,
      '--wide': '3.5em',
      '--amount': '25',
      '--amount-words': '"€25.00"',
      '--length': '6',
    })
    expect(resolved.follows).toEqual(['--t', '--enter'])
    expect(resolved.types.display.family).toBe(lanternLook.type.display.family)
    const at = (tMs: number) => sceneAt(score, new Map(), tMs).visuals[0]
    expect(at(0)).toMatchObject({ intoMs: 0, enter: 0, leave: 0 })
    expect(at(5999)).toMatchObject({ intoMs: 5999, enter: 1 })
    const last = at(5999)
    expect(last?.kind === 'code' && last.leave).toBeGreaterThan(0.9)
  })
  it('is turned by dials, where its code does not have to be known', () => {
    const part = {
      ...starterCode(canvas),
      properties: {
        rim: { kind: 'colour' as const, ink: { own: '#112233' } },
        wide: { kind: 'number' as const, value: 8, unit: 'px' as const },
      },
    }
    const box = boxWith(part)
    const at = (rest: string) => `alerts.follow.variations.everyday.parts.code.properties.${rest}`
    const dials = [dialFor(box, at('rim.ink'), 'Rim'), dialFor(box, at('wide.value'), 'Wide')].flatMap(
      (dial) => dial ?? [],
    )
    expect(dials.map(({ kind, initial }) => [kind, initial])).toEqual([
      ['colour', '#112233'],
      ['number', 8],
    ])
    const found = turned({ box, dials }, { rim: '#AABBCC', wide: 12 }).alerts[0]?.variations[0]?.composition.parts[0]
    expect(found?.kind === 'code' && found.properties).toEqual({
      rim: { kind: 'colour', ink: { own: '#AABBCC' } },
      wide: { kind: 'number', value: 12, unit: 'px' },
    })
  })
  it('asks for letters in capitals, too, and for those that CSS writes by number', () => {
    const { resolved } = settled({ html: '<p>straße</p>', css: 'p::after { content: "\\2605 x" }' })
    expect(lettersOfCode(resolved)).toMatch(/(?=.*S)(?=.*ß)(?=.*★)(?=.*X)(?=.*9)/s)
  })
  it('asks for the letters that it shows, and for typefaces that others lack', () => {
    const { resolved, score } = settled({ html: '<p>{name}</p>', css: 'p::after { content: "★" }' }, 'rightToLeft')
    expect(score.fallbackFamilies).toContain('Noto Sans Arabic')
    expect(codeTemplates({ html: resolved.css, properties: {} })).toEqual(['p::after { content: "★" }'])
  })
  it('is JSON, and no larger than a message may be', () => {
    const { score } = settled({ html: '<b>x</b>'.repeat(codeLimits.elements), css: 'a{}'.repeat(10_000) })
    expect(JSON.parse(JSON.stringify(score))).toEqual(score)
    expect(JSON.stringify(score).length).toBeLessThan(200_000)
  })
})
