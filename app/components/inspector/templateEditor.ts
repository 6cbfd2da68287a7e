import {
  autocompletion,
  completionKeymap,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete'
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import { linter, type Diagnostic } from '@codemirror/lint'
import { Compartment, EditorState, type Extension } from '@codemirror/state'
import {
  Decoration,
  EditorView,
  keymap,
  placeholder,
  tooltips,
  ViewPlugin,
  WidgetType,
  type DecorationSet,
  type ViewUpdate,
} from '@codemirror/view'
import type { VariableDeclaration } from '../../../core/events/variables.ts'
import { pageNonce } from './pageNonce.ts'
import { parseTemplate } from '../../../core/text/template.ts'
import { templateMistakes } from '../../../core/text/templateMistakes.ts'

export interface TemplateEditor {
  setText(text: string): void
  setVariables(variables: readonly VariableDeclaration[]): void
  insert(text: string): void
  destroy(): void
}

interface Setting {
  parent: HTMLElement
  text: string
  label: string
  variables: readonly VariableDeclaration[]
  isReadOnly: boolean
  onChange: (text: string) => void
}

/** A variable as one thing that the cursor goes over in one step. */
class Chip extends WidgetType {
  constructor(
    readonly name: string,
    readonly isKnown: boolean,
  ) {
    super()
  }
  override eq(other: Chip): boolean {
    return other.name === this.name && other.isKnown === this.isKnown
  }
  override toDOM(): HTMLElement {
    const chip = document.createElement('span')
    chip.className = this.isKnown ? 'template-chip' : 'template-chip template-chip-unknown'
    chip.textContent = this.name
    return chip
  }
}

/** A template as text in which variables are chips, are completed, and what is wrong is marked where it stands. */
export function createTemplateEditor({
  parent,
  text,
  label,
  variables,
  isReadOnly,
  onChange,
}: Setting): TemplateEditor {
  const dependent = new Compartment()
  const view = new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        history(),
        keymap.of([...completionKeymap, ...historyKeymap, ...defaultKeymap]),
        EditorView.lineWrapping,
        EditorView.cspNonce.of(pageNonce()),
        // The paper scrolls and would cut a list off that is longer than the room beneath the words.
        tooltips({ parent: document.body, position: 'fixed' }),
        EditorState.readOnly.of(isReadOnly),
        EditorView.editable.of(!isReadOnly),
        EditorView.contentAttributes.of({
          'aria-label': label,
          'aria-readonly': String(isReadOnly),
          spellcheck: 'true',
        }),
        placeholder('words and {variables}'),
        // A template is one line of text: a line break becomes a space.
        EditorState.transactionFilter.of((transaction) =>
          transaction.docChanged && transaction.newDoc.lines > 1
            ? [transaction, { changes: oneLine(transaction.newDoc.toString()), sequential: true }]
            : transaction,
        ),
        EditorView.updateListener.of((update) => update.docChanged && onChange(update.state.doc.toString())),
        dependent.of(forVariables(variables)),
      ],
    }),
  })
  return {
    setText(next) {
      if (next !== view.state.doc.toString())
        view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: next } })
    },
    setVariables: (next) => view.dispatch({ effects: dependent.reconfigure(forVariables(next)) }),
    insert(piece) {
      view.dispatch(view.state.replaceSelection(piece))
      view.focus()
    },
    destroy: () => view.destroy(),
  }
}

function oneLine(text: string): { from: number; to: number; insert: string }[] {
  return [...text.matchAll(/\n/g)].map((found) => ({ from: found.index, to: found.index + 1, insert: ' ' }))
}

function forVariables(variables: readonly VariableDeclaration[]): Extension {
  const known = new Set(variables.map((variable) => variable.name))
  return [
    chips(known),
    linter((view) => diagnostics(view.state.doc.toString(), variables), { delay: 250 }),
    autocompletion({ override: [(context) => complete(context, variables)], icons: false }),
  ]
}

function chips(known: ReadonlySet<string>): Extension {
  const build = (view: EditorView): DecorationSet =>
    Decoration.set(
      parseTemplate(view.state.doc.toString()).nodes.flatMap((node) =>
        node.type === 'variable'
          ? [
              Decoration.replace({ widget: new Chip(node.name, known.has(node.name)) }).range(
                node.at,
                node.at + node.raw.length,
              ),
            ]
          : [],
      ),
    )
  return ViewPlugin.fromClass(
    class {
      decorations: DecorationSet
      constructor(view: EditorView) {
        this.decorations = build(view)
      }
      update(update: ViewUpdate) {
        if (update.docChanged) this.decorations = build(update.view)
      }
    },
    {
      decorations: (plugin) => plugin.decorations,
      provide: (plugin) => EditorView.atomicRanges.of((view) => view.plugin(plugin)?.decorations ?? Decoration.none),
    },
  )
}

/** What is wrong in a template, at the letters concerned. */
export function diagnostics(text: string, variables: readonly VariableDeclaration[]): Diagnostic[] {
  const { nodes, problems } = parseTemplate(text)
  return [
    ...problems.map(({ at, reason }) => ({
      from: Math.min(at, text.length),
      to: Math.min(text.length, at + 1),
      severity: 'error' as const,
      message: `${reason}; it is shown as typed`,
    })),
    ...templateMistakes(nodes, variables).map(({ at, raw, reason }) => ({
      from: at,
      to: Math.min(text.length, at + raw.length),
      severity: 'warning' as const,
      message: reason,
    })),
  ]
}

function complete(context: CompletionContext, variables: readonly VariableDeclaration[]): CompletionResult | null {
  const typed = context.matchBefore(/\{[a-zA-Z0-9_]*$/)
  if (!typed && !context.explicit) return null
  const from = typed ? typed.from : context.pos
  const after = context.state.sliceDoc(context.pos, context.pos + 1) === '}' ? 1 : 0
  return {
    from,
    to: context.pos + after,
    options: variables.flatMap((variable) => [
      { label: `{${variable.name}}`, detail: variable.means },
      ...(variable.type === 'number'
        ? [{ label: `{${variable.name}, plural, one {#} other {#}}`, detail: 'words by number' }]
        : []),
      ...(variable.type === 'money'
        ? [{ label: `{${variable.name}, number, ::compact-short}`, detail: 'short form' }]
        : []),
    ]),
    validFor: /^\{[a-zA-Z0-9_]*$/,
  }
}
