import { EditorView } from '@codemirror/view';

/** Text and gutter in the page's own colours, light and dark. */
export const EDITOR_LOOK = EditorView.theme({
  '&': { height: '100%', backgroundColor: 'var(--card)', color: 'var(--ink)', fontSize: '13px' },
  '.cm-scroller': { fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace", lineHeight: '1.5' },
  '.cm-content': { caretColor: 'var(--ink)' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '.cm-gutters': {
    backgroundColor: 'var(--paper)',
    color: 'var(--soft)',
    borderRight: '1px solid var(--line)',
  },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--accent-soft)' },
  '&.cm-focused': { outline: '2px solid var(--accent)', outlineOffset: '-2px' },
  '.cm-selectionBackground, &.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground': {
    backgroundColor: 'var(--accent-soft)',
  },
  '.cm-panels': { backgroundColor: 'var(--paper)', color: 'var(--ink)' },
  '.cm-running': { boxShadow: 'inset 3px 0 0 var(--accent)' },
});
