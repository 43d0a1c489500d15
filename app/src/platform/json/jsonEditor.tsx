import { autocompletion, type Completion, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { json, jsonParseLinter } from '@codemirror/lang-json';
import { ensureSyntaxTree, syntaxTree } from '@codemirror/language';
import { type Diagnostic, linter, lintGutter } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView, hoverTooltip } from '@codemirror/view';
import { basicSetup } from 'codemirror';
import { useEffect, useRef } from 'react';
import { placeOf, spanOf } from './places';
import { type JsonPath, type JsonSchema, namesAt, schemasAt, valuesAt } from './schemaHelp';

type EditorProps = {
  /** What it begins with. */
  text: string;
  schema: JsonSchema;
  /** What is wrong with what is written, by place; only asked of what is JSON. */
  faultsIn: (value: unknown) => readonly { path: JsonPath; message: string }[];
  /** What is said of a name or a value, for whoever writes it. */
  help: (name: string | undefined, schemas: readonly JsonSchema[]) => string;
  onChange: (text: string) => void;
  /** What it is, for whoever listens. */
  label: string;
  height: number;
  colours: Readonly<{ ink: string; card: string; primary: string; line: string; soft: string }>;
  font: string;
};

/** Reading a whole book takes so long at most, ms. */
const READ_MS = 400;

/** Writes what was offered in place of what was begun, with the quote behind it that had closed by itself. */
const written =
  (text: string) =>
  (view: EditorView, _: Completion, from: number, to: number): void => {
    const end = view.state.sliceDoc(to, to + 1) === '"' ? to + 1 : to;
    view.dispatch({ changes: { from, to: end, insert: text }, selection: { anchor: from + text.length }, userEvent: 'input.complete' });
  };

/** The text as it was last read as a whole: half typed it says which of several kinds a thing is all the same. */
const lastRead = () => {
  let last: unknown;
  return (text: string): unknown => {
    try {
      last = JSON.parse(text);
    } catch {
      // Half typed; the linter says so.
    }
    return last;
  };
};

/**
 * JSON written with the help of its schema: names and values are offered as one writes, what is wrong is marked where it
 * stands, and what a name means is said over it. It lies in a shadow of the page, where its styles are no inline styles.
 */
export const JsonEditor = (props: EditorProps) => {
  const holder = useRef<HTMLDivElement>(null);
  const latest = useRef(props);
  latest.current = props;
  const { height, label } = props;
  useEffect(() => {
    const outer = holder.current!;
    const root = outer.shadowRoot ?? outer.attachShadow({ mode: 'open' });
    const view = new EditorView({
      root,
      parent: root,
      state: EditorState.create({ doc: latest.current.text, extensions: extensions(latest) }),
    });
    return () => view.destroy();
  }, []);
  return <div ref={holder} data-testid="json-editor" aria-label={label} style={{ height }} />;
};

const extensions = (latest: { current: EditorProps }) => {
  const read = lastRead();
  const { colours, font, label, height } = latest.current;
  const textOf = (state: EditorState) => state.doc.toString();
  const treeOf = (state: EditorState) => ensureSyntaxTree(state, state.doc.length, READ_MS) ?? syntaxTree(state);

  const offer = (context: CompletionContext): CompletionResult | null => {
    const { state, pos, explicit } = context;
    const { schema, help } = latest.current;
    const { path, is, from } = placeOf(treeOf(state), state.doc, pos);
    const value = read(textOf(state));
    if (!explicit && from === pos) return null;
    if (is === 'name') {
      const options = namesAt(schema, value, path).map(({ name, needed }): Completion => ({
        label: JSON.stringify(name),
        apply: written(`${JSON.stringify(name)}: `),
        info: help(name, schemasAt(schema, value, [...path, name])),
        boost: needed ? 1 : 0,
      }));
      return options.length > 0 ? { from, options } : null;
    }
    const options = valuesAt(schema, value, path).map((one): Completion => ({
      label: JSON.stringify(one),
      apply: written(JSON.stringify(one)),
    }));
    return options.length > 0 ? { from, options } : null;
  };

  const wrong = linter((view): Diagnostic[] => {
    const unread = jsonParseLinter()(view);
    if (unread.length > 0) return unread;
    const text = textOf(view.state);
    if (text.trim() === '') return [];
    const tree = treeOf(view.state);
    return latest.current.faultsIn(JSON.parse(text)).map(({ path, message }) => ({
      ...spanOf(tree, view.state.doc, path),
      severity: 'error',
      message,
    }));
  });

  const over = hoverTooltip(({ state }, pos) => {
    const node = treeOf(state).resolveInner(pos, 1);
    if (node.name !== 'PropertyName' && node.name !== 'String' && node.name !== 'Number') return null;
    const { path, is } = placeOf(treeOf(state), state.doc, node.to);
    const name = is === 'name' ? (JSON.parse(state.sliceDoc(node.from, node.to)) as string) : undefined;
    const { schema, help } = latest.current;
    const said = help(
      name ?? String(path.at(-1) ?? ''),
      schemasAt(schema, read(textOf(state)), name === undefined ? path : [...path, name]),
    );
    if (said === '') return null;
    return {
      pos: node.from,
      end: node.to,
      create: () => {
        const dom = document.createElement('div');
        dom.textContent = said;
        return { dom };
      },
    };
  });

  return [
    basicSetup,
    json(),
    lintGutter(),
    wrong,
    over,
    autocompletion({ override: [offer] }),
    EditorView.lineWrapping,
    EditorView.contentAttributes.of({ 'aria-label': label }),
    EditorView.updateListener.of((update) => {
      if (update.docChanged) latest.current.onChange(textOf(update.state));
    }),
    EditorView.theme({
      '&': {
        height: `${height}px`,
        color: colours.ink,
        backgroundColor: colours.card,
        fontSize: '15px',
        borderRadius: '12px',
        border: `2px solid ${colours.soft}`,
      },
      '&.cm-focused': { outline: `2px solid ${colours.primary}` },
      '.cm-scroller': { fontFamily: `ui-monospace, monospace`, lineHeight: '1.5' },
      '.cm-gutters': { backgroundColor: colours.card, color: colours.soft, borderRight: `1px solid ${colours.line}` },
      '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'transparent' },
      '.cm-cursor': { borderLeftColor: colours.ink },
      '.cm-tooltip': {
        backgroundColor: colours.card,
        color: colours.ink,
        border: `1px solid ${colours.line}`,
        fontFamily: font,
        fontSize: '15px',
        maxWidth: '340px',
      },
      '.cm-tooltip-hover': { padding: '6px 10px' },
      '.cm-tooltip-autocomplete > ul > li': { padding: '6px 8px' },
      '.cm-tooltip-autocomplete > ul > li[aria-selected]': { backgroundColor: colours.primary, color: colours.card },
      '.cm-panels': { backgroundColor: colours.card, color: colours.ink },
    }),
  ];
};
