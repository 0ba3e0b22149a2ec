import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { highlightSelectionMatches, search, searchKeymap } from '@codemirror/search';
import { EditorState, RangeSet, StateEffect, StateField } from '@codemirror/state';
import {
  Decoration,
  type DecorationSet,
  EditorView,
  gutter,
  GutterMarker,
  highlightActiveLine,
  highlightActiveLineGutter,
  keymap,
  lineNumbers,
} from '@codemirror/view';
import type { Finding } from '@burl/core';
import { useEffect, useRef } from 'react';
import { EDITOR_LOOK } from './editor-look.ts';

const setRunning = StateEffect.define<number>();
const running = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(value, transaction) {
    for (const effect of transaction.effects)
      if (effect.is(setRunning)) {
        const line = transaction.state.doc.line(
          Math.min(Math.max(1, effect.value), transaction.state.doc.lines),
        );
        return Decoration.set([Decoration.line({ class: 'cm-running' }).range(line.from)]);
      }
    return value.map(transaction.changes);
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** Marks by shape: what stops it is a square, a fault a diamond, a look a triangle. */
const SIGNS: Readonly<Record<Finding['gravity'], string>> = { stop: '■', fault: '◆', look: '▲', note: '·' };
/** What is the same on more lines than this is marked where it is worst: a mark on every line says nothing. */
const MARKED_MOST = 60;
const ORDER = ['stop', 'fault', 'look', 'note'] as const;
class Sign extends GutterMarker {
  readonly gravity: Finding['gravity'];
  readonly title: string;
  constructor(gravity: Finding['gravity'], title: string) {
    super();
    this.gravity = gravity;
    this.title = title;
  }
  override eq(other: Sign): boolean {
    return other.gravity === this.gravity && other.title === this.title;
  }
  override toDOM(): Node {
    const span = document.createElement('span');
    span.textContent = SIGNS[this.gravity];
    span.title = this.title;
    span.style.color = this.gravity === 'stop' || this.gravity === 'fault' ? 'var(--over)' : 'var(--tight)';
    return span;
  }
}
const setSigns = StateEffect.define<RangeSet<GutterMarker>>();
const signs = StateField.define<RangeSet<GutterMarker>>({
  create: () => RangeSet.empty,
  update(value, transaction) {
    for (const effect of transaction.effects) if (effect.is(setSigns)) return effect.value;
    return value.map(transaction.changes);
  },
});

function signsOf(state: EditorState, findings: readonly Finding[]): RangeSet<GutterMarker> {
  const worst = new Map<number, Finding>();
  for (const f of findings)
    for (const line of f.count > MARKED_MOST ? [f.line] : f.lines) {
      const known = worst.get(line);
      if (line <= state.doc.lines && (!known || ORDER.indexOf(f.gravity) < ORDER.indexOf(known.gravity)))
        worst.set(line, f);
    }
  return RangeSet.of(
    [...worst]
      .sort(([a], [b]) => a - b)
      .map(([line, f]) => new Sign(f.gravity, f.title).range(state.doc.line(line).from)),
  );
}

/** How lines of a text end, so that it goes out as it came in. */
export const endOfLines = (text: string): string =>
  text.includes('\r\n') ? '\r\n' : text.includes('\r') && !text.includes('\n') ? '\r' : '\n';

/** NC text of any length, with findings beside their lines and the running line marked; moves with the picture. */
export function ProgramEditor({
  file,
  text,
  line,
  findings,
  readOnly,
  onLine,
  onText,
}: {
  /** Another one for another file. */
  file: number;
  text: string;
  /** Line that runs. */
  line: number;
  findings: readonly Finding[];
  readOnly: boolean;
  onLine: (line: number) => void;
  onText: (text: string) => void;
}) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const told = useRef({ onLine, onText });
  useEffect(() => {
    told.current = { onLine, onText };
  });

  useEffect(() => {
    if (!host.current) return;
    let last = 1;
    const made = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: text,
        extensions: [
          EditorState.lineSeparator.of(endOfLines(text)),
          lineNumbers(),
          gutter({
            class: 'cm-signs',
            markers: (v) => v.state.field(signs),
            initialSpacer: () => new Sign('fault', ''),
          }),
          signs,
          running,
          history(),
          search({ top: true }),
          highlightSelectionMatches(),
          highlightActiveLine(),
          highlightActiveLineGutter(),
          keymap.of([...searchKeymap, ...defaultKeymap, ...historyKeymap]),
          EditorState.readOnly.of(readOnly),
          EditorView.contentAttributes.of({ 'aria-label': 'NC text' }),
          EDITOR_LOOK,
          EditorView.updateListener.of((update) => {
            if (update.docChanged) {
              told.current.onText(update.state.sliceDoc());
            }
            if (!update.selectionSet && !update.docChanged) return;
            const at = update.state.doc.lineAt(update.state.selection.main.head).number;
            // What the picture moved does not move the picture.
            if (at !== last && update.transactions.some((t) => t.isUserEvent('select') || t.docChanged))
              told.current.onLine(at);
            last = at;
          }),
        ],
      }),
    });
    // What scrolls is reached by the keyboard, also where the text itself is not.
    made.scrollDOM.tabIndex = 0;
    view.current = made;
    return () => {
      made.destroy();
      view.current = null;
    };
    // Another file is another editor; what is typed here comes back as text and changes no editor.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [file, readOnly]);

  useEffect(() => {
    const v = view.current;
    if (!v) return;
    const at = v.state.doc.line(Math.min(Math.max(1, line), v.state.doc.lines));
    v.dispatch({
      effects: [setRunning.of(line), EditorView.scrollIntoView(at.from, { y: 'nearest', yMargin: 60 })],
    });
  }, [line, file]);
  useEffect(() => {
    const v = view.current;
    if (v) v.dispatch({ effects: setSigns.of(signsOf(v.state, findings)) });
  }, [findings, file]);

  return <div ref={host} className="h-full min-h-0 overflow-hidden rounded-lg border border-line" />;
}
