import type { AnyBody, StoredEvent } from './stored';

/** The events that could take one away, or be taken away, as far as that is decided. */
type Node = {
  /** Undos that name it and of which it is not known yet whether they count. */
  open: number;
  undone: boolean | undefined;
  names: readonly string[];
};

/**
 * Ids that undo has taken away. An undo may itself be undone: it counts unless one that counts has undone it. Linear in
 * events and what they name, without recursion, so that no chain however long is too much. In a ring of undos, which no
 * honest phone makes, the one with the smallest id counts: the same everywhere, in whatever order they came.
 */
export const undoneIds = <B extends AnyBody>(
  all: readonly StoredEvent<B>[],
  isUndo: (one: StoredEvent<B>) => boolean,
): ReadonlySet<string> => {
  const nodes = new Map<string, Node>();
  const nodeOf = (id: string): Node => {
    const known = nodes.get(id);
    if (known) return known;
    const made: Node = { open: 0, undone: undefined, names: [] };
    nodes.set(id, made);
    return made;
  };
  for (const one of all) {
    if (!isUndo(one)) continue;
    const { event } = one;
    // One that names itself says nothing about itself.
    const names = [...new Set(event.replaces)].filter((id) => id !== event.id);
    nodeOf(event.id).names = names;
    for (const id of names) nodeOf(id).open += 1;
  }
  const decided: string[] = [];
  const decide = (id: string, node: Node, undone: boolean) => {
    node.undone = undone;
    decided.push(id);
  };
  for (const [id, node] of nodes) if (node.open === 0) decide(id, node, false);
  const spread = () => {
    for (let id = decided.pop(); id !== undefined; id = decided.pop()) {
      const { names, undone } = nodes.get(id)!;
      for (const name of names) {
        const target = nodes.get(name)!;
        target.open -= 1;
        if (target.undone !== undefined) continue;
        if (undone === false) decide(name, target, true);
        else if (target.open === 0) decide(name, target, false);
      }
    }
  };
  spread();
  const ringed = [...nodes].filter(([, { undone }]) => undone === undefined).sort(([a], [b]) => (a < b ? -1 : 1));
  for (const [id, node] of ringed) {
    if (node.undone !== undefined) continue;
    decide(id, node, false);
    spread();
  }
  return new Set([...nodes].flatMap(([id, { undone }]) => (undone === true ? [id] : [])));
};
