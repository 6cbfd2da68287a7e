import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseTemplate, type TemplateNode } from './template.ts'

/** A piece of a template as it was written; the number sign of plurals as itself. */
function written(node: TemplateNode): string {
  if ('raw' in node) return node.raw
  return node.type === 'words' ? node.text : '#'
}

describe('parseTemplate', () => {
  it('cuts words and variables', () => {
    expect(parseTemplate('{name} joins').nodes).toEqual([
      { type: 'variable', name: 'name', at: 0, raw: '{name}' },
      { type: 'words', text: ' joins' },
    ])
  })

  it('takes spaces inside the braces', () => {
    expect(parseTemplate('{ name }').nodes).toEqual([{ type: 'variable', name: 'name', at: 0, raw: '{ name }' }])
  })

  it.each([
    ['half {na', 5, 'not closed'],
    ['{}', 0, 'no name'],
    ['a {1st} b', 2, 'not a variable name'],
    ['{a {name}', 0, 'not closed'],
  ])('shows %j as typed and says where it is wrong', (template, at, reason) => {
    const parsed = parseTemplate(template)
    expect(parsed.problems[0]?.at).toBe(at)
    expect(parsed.problems[0]?.reason).toContain(reason)
    expect(parsed.nodes.map(written).join('')).toBe(template)
  })

  it('finds the variable behind a brace that is not closed', () => {
    expect(parseTemplate('{a {name}').nodes.at(-1)).toEqual({ type: 'variable', name: 'name', at: 3, raw: '{name}' })
  })

  it('never loses a letter and never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('{', '}', 'a', ' ', 'name', '🥐', '\n') }), (template) => {
        const shown = parseTemplate(template).nodes.map(written)
        expect(shown.join('')).toBe(template)
      }),
    )
  })
})
