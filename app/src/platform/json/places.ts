import type { SyntaxNode, Tree } from '@lezer/common';
import type { JsonPath } from './schemaHelp';

/** Where in a JSON text a path leads, and which path leads to a place. */

/** Slices of the text, as an editor gives them. */
type Text = { sliceString: (from: number, to: number) => string };

const VALUES = new Set(['Object', 'Array', 'String', 'Number', 'True', 'False', 'Null']);

const nameOf = (property: SyntaxNode, text: Text): string => {
  const name = property.getChild('PropertyName');
  const said = name ? text.sliceString(name.from, name.to) : '""';
  try {
    return JSON.parse(said) as string;
  } catch {
    // Half typed: it is called what stands there.
    return said.replace(/"/g, '');
  }
};

const valuesIn = (node: SyntaxNode): SyntaxNode[] => {
  const found: SyntaxNode[] = [];
  for (let child = node.firstChild; child; child = child.nextSibling) if (VALUES.has(child.name)) found.push(child);
  return found;
};

type Found = { node: SyntaxNode; name: SyntaxNode | null };

/** One step further in; nothing where it leads nowhere. */
const stepIn = ({ node }: Found, step: string | number, text: Text): Found | undefined => {
  if (typeof step === 'number') {
    const one = node.name === 'Array' ? valuesIn(node)[step] : undefined;
    return one && { node: one, name: null };
  }
  for (const property of node.getChildren('Property')) {
    const [value] = valuesIn(property);
    if (value && nameOf(property, text) === step) return { node: value, name: property.getChild('PropertyName') };
  }
  return undefined;
};

/** Of a path what is there of it: what it names, or the nearest thing around it. */
export const spanOf = (tree: Tree, text: Text, path: JsonPath): { from: number; to: number } => {
  const [whole] = valuesIn(tree.topNode);
  if (!whole) return { from: 0, to: 0 };
  let at: Found = { node: whole, name: null };
  for (const step of path) {
    const next = stepIn(at, step, text);
    if (!next) break;
    at = next;
  }
  const { node, name } = at;
  // Of something large its name is enough, or the sign that it begins with.
  const { from, to } = node.name === 'Object' || node.name === 'Array' ? (name ?? { from: node.from, to: node.from + 1 }) : node;
  return { from, to };
};

/** So far back a word begins, and the sign before it stands, at most, characters. */
const BACK = 400;

/** Where one stands: the path of what is around it, and whether a name or a value is to stand there. */
export const placeOf = (tree: Tree, text: Text, position: number): { path: JsonPath; is: 'name' | 'value'; from: number } => {
  const inner = tree.resolveInner(position, -1);
  const isWord = inner.name === 'PropertyName' || (VALUES.has(inner.name) && inner.name !== 'Object' && inner.name !== 'Array');
  const before = text.sliceString(Math.max(0, position - BACK), position);
  // What is half typed is no word of the language yet.
  const begun = /"?[^"\s{}[\],:]*$/.exec(before)![0].length;
  const from = isWord ? inner.from : position - begun;
  const sign = text
    .sliceString(Math.max(0, from - BACK), from)
    .trimEnd()
    .at(-1);
  let around: SyntaxNode | null = inner;
  while (around && around.name !== 'Object' && around.name !== 'Array') around = around.parent;
  const is = around?.name === 'Object' && (sign === '{' || sign === ',') ? 'name' : 'value';
  const path: (string | number)[] = [];
  for (let node: SyntaxNode | null = inner; node; node = node.parent) {
    if (node.name === 'Property' && !(is === 'name' && node.from === from)) path.unshift(nameOf(node, text));
    if (node.parent?.name === 'Array') {
      const start = node.from;
      path.unshift(valuesIn(node.parent).filter((one) => one.to <= start).length);
    } else if (node === inner && node.name === 'Array') path.unshift(valuesIn(node).filter((one) => one.to <= position).length);
  }
  return { path, is, from };
};
