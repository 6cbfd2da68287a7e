import {
  autocompletion,
  completionKeymap,
  type Completion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete'
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import { css } from '@codemirror/lang-css'
import { html } from '@codemirror/lang-html'
import { bracketMatching, indentOnInput, syntaxHighlighting } from '@codemirror/language'
import { linter } from '@codemirror/lint'
import { Compartment, EditorState, type Extension } from '@codemirror/state'
import { EditorView, keymap, tooltips } from '@codemirror/view'
import { classHighlighter } from '@lezer/highlight'
import { problemsOf } from '../../../core/score/parts/code/readLately.ts'
import { pageNonce } from './pageNonce.ts'

/** A name that can be written, and what stands behind it. */
export interface CodeName {
  name: string
  means: string
}

export interface CodeEditor {
  setText(text: string): void
  setNames(names: readonly CodeName[]): void
  destroy(): void
}

interface Setting {
  parent: HTMLElement
  language: 'html' | 'css'
  text: string
  label: string
  /** Of HTML: variables. Of CSS: custom properties. */
  names: readonly CodeName[]
  isReadOnly: boolean
  onChange: (text: string) => void
}

/** An editor for HTML or CSS: in colours, completed, and what will be left out is marked where it stands. Tab leaves it. */
export function createCodeEditor({ parent, language, text, label, names, isReadOnly, onChange }: Setting): CodeEditor {
  const known = new Compartment()
  const view = new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        history(),
        // Tab is left to the page: whoever works by keyboard has to come out again.
        keymap.of([...completionKeymap, ...historyKeymap, ...defaultKeymap]),
        EditorView.lineWrapping,
        EditorView.cspNonce.of(pageNonce()),
        tooltips({ parent: document.body, position: 'fixed' }),
        EditorState.readOnly.of(isReadOnly),
        EditorView.editable.of(!isReadOnly),
        EditorView.contentAttributes.of({
          'aria-label': label,
          'aria-readonly': String(isReadOnly),
          spellcheck: 'false',
          // It is scrolled by keys where it is longer than its room.
          tabindex: '0',
        }),
        syntaxHighlighting(classHighlighter),
        bracketMatching(),
        indentOnInput(),
        linter((checked) => marks(language, checked.state.doc.toString()), { delay: 250 }),
        EditorView.updateListener.of((update) => update.docChanged && onChange(update.state.doc.toString())),
        known.of(completed(language, names)),
        autocompletion({ icons: false }),
      ],
    }),
  })
  return {
    setText(next) {
      if (next !== view.state.doc.toString())
        view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: next } })
    },
    setNames: (next) => view.dispatch({ effects: known.reconfigure(completed(language, next)) }),
    destroy: () => view.destroy(),
  }
}

function completed(language: Setting['language'], names: readonly CodeName[]): Extension {
  const support = language === 'html' ? html({ autoCloseTags: true }) : css()
  return [
    support,
    support.language.data.of({ autocomplete: (context: CompletionContext) => complete(context, language, names) }),
  ]
}

/** After a brace or two dashes: the names that are there. */
function complete(
  context: CompletionContext,
  language: Setting['language'],
  names: readonly CodeName[],
): CompletionResult | null {
  const typed = context.matchBefore(language === 'html' ? /\{[a-zA-Z0-9_]*$/ : /--[\w-]*$/)
  if (!typed) return null
  const options: Completion[] = names.map(({ name, means }) => ({
    label: language === 'html' ? `{${name}}` : name,
    detail: means,
    boost: 50,
  }))
  return { from: typed.from, options, validFor: language === 'html' ? /^\{[a-zA-Z0-9_]*$/ : /^--[\w-]*$/ }
}

/** What will be left out, at the letters where that begins. */
function marks(language: Setting['language'], text: string) {
  return problemsOf(language, text).map(({ at, reason }) => ({
    from: Math.min(at, text.length),
    to: Math.min(text.length, at + 1),
    severity: 'warning' as const,
    message: reason,
  }))
}
