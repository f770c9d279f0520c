import { autocompletion, closeBrackets, type CompletionContext } from '@codemirror/autocomplete';
import { defaultKeymap, indentWithTab } from '@codemirror/commands';
import { yaml } from '@codemirror/lang-yaml';
import { HighlightStyle, bracketMatching, indentOnInput, syntaxHighlighting } from '@codemirror/language';
import { lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState, type Extension } from '@codemirror/state';
import { EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { effect } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import { completionsAt } from 'pimbot/tools';
import type { Bench } from './bench.ts';

/** Letters that follow each other within this are undone as one, in ms. */
const burst = 1000;

const look: Extension = [
  EditorView.theme({
    '&': { height: '100%', fontSize: '12.5px', backgroundColor: 'transparent', color: 'var(--ink)' },
    '.cm-scroller': { fontFamily: 'ui-monospace, monospace', lineHeight: '1.5' },
    '.cm-gutters': { backgroundColor: 'transparent', color: 'var(--quiet)', border: 'none' },
    '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--raised)' },
    '&.cm-focused .cm-cursor': { borderLeftColor: 'var(--ink)' },
    '&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground': {
      backgroundColor: 'var(--chosen)',
    },
    '.cm-tooltip': { backgroundColor: 'var(--plate)', color: 'var(--ink)', border: '1px solid var(--line)' },
    '.cm-tooltip-autocomplete > ul > li[aria-selected]': {
      backgroundColor: 'var(--accent)',
      color: 'var(--on-accent)',
    },
  }),
  syntaxHighlighting(
    HighlightStyle.define([
      { tag: [tags.propertyName, tags.definition(tags.propertyName)], color: 'var(--key)' },
      { tag: [tags.string, tags.content], color: 'var(--ink)' },
      { tag: [tags.number, tags.bool], color: 'var(--number)' },
      { tag: tags.comment, color: 'var(--quiet)', fontStyle: 'italic' },
    ]),
  ),
];

/** The document as text: what is typed is shown, and what is selected is scrolled to. */
export function TextPanel({ bench }: { readonly bench: Bench }) {
  const host = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let own = false;
    let lastTyped = 0;
    const view = new EditorView({
      parent: host.current!,
      state: EditorState.create({
        doc: bench.history.value.text,
        extensions: [
          lineNumbers(),
          highlightActiveLine(),
          bracketMatching(),
          closeBrackets(),
          indentOnInput(),
          yaml(),
          lintGutter(),
          look,
          autocompletion({ override: [(context) => complete(bench, context)] }),
          keymap.of([
            { key: 'Mod-z', run: () => (bench.step('undo'), true) },
            { key: 'Mod-Shift-z', run: () => (bench.step('redo'), true) },
            { key: 'Mod-y', run: () => (bench.step('redo'), true) },
            indentWithTab,
            ...defaultKeymap,
          ]),
          EditorView.contentAttributes.of({
            'tabindex': '0',
            'aria-label': 'The document as text. Escape, then Tab, leaves it.',
          }),
          EditorView.updateListener.of((update) => {
            if (own) return;
            if (update.docChanged) {
              const now = performance.now();
              bench.typed(update.state.doc.toString(), now - lastTyped < burst);
              lastTyped = now;
            } else if (update.selectionSet && view.hasFocus) bench.selectAt(update.state.selection.main.head);
          }),
        ],
      }),
    });
    // What was changed elsewhere is changed here where it differs, so that the place one reads stays.
    const ends = [
      effect(() => {
        const { text } = bench.history.value;
        const before = view.state.doc.toString();
        if (text === before) return;
        let start = 0;
        while (start < text.length && text[start] === before[start]) start++;
        let end = 0;
        while (
          end < Math.min(text.length, before.length) - start &&
          text.at(-1 - end) === before.at(-1 - end)
        )
          end++;
        own = true;
        view.dispatch({
          changes: { from: start, to: before.length - end, insert: text.slice(start, text.length - end) },
        });
        own = false;
      }),
      effect(() => {
        const length = view.state.doc.length;
        const found = bench.problems.value.flatMap(({ start, end, severity, text }): Diagnostic[] =>
          start === undefined
            ? []
            : [
                {
                  from: Math.min(start, length),
                  to: Math.min(end ?? start, length),
                  severity,
                  message: text.split('\n')[0]!,
                },
              ],
        );
        view.dispatch(setDiagnostics(view.state, found));
      }),
      effect(() => {
        const line = bench.lineShown.value;
        if (line === undefined || line.line > view.state.doc.lines) return;
        const { from } = view.state.doc.line(line.line);
        own = true;
        view.dispatch({
          selection: { anchor: from },
          effects: EditorView.scrollIntoView(from, { y: 'center' }),
        });
        own = false;
      }),
      effect(() => {
        const [row] = bench.selected.value;
        if (!row?.range || view.hasFocus) return;
        const { from } = view.state.doc.lineAt(Math.min(row.range.start, view.state.doc.length));
        own = true;
        view.dispatch({
          selection: { anchor: from },
          effects: EditorView.scrollIntoView(from, { y: 'center' }),
        });
        own = false;
      }),
    ];
    return () => {
      for (const end of ends) end();
      view.destroy();
    };
  }, []);
  return <div class="text-panel" ref={host} />;
}

function complete(bench: Bench, context: CompletionContext) {
  const found = completionsAt(context.state.doc.toString(), context.pos, bench.summary.value);
  if (!found || (found.options.length === 0 && !context.explicit)) return null;
  return {
    from: found.from,
    options: found.options.map(({ label, insert, detail, info }, nth) => ({
      label,
      apply: insert,
      detail,
      info: info === '' ? undefined : info,
      type: detail === 'key' ? 'property' : 'constant',
      // They stay in order.
      boost: -Math.min(nth, 99),
    })),
    validFor: /^[\w$-]*$/,
  };
}
