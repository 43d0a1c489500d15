/** A boat's time that is given away, ms of the epoch; `to` is Infinity while nobody knows. */
export type Span = { id: string; from: number; to: number };

/**
 * The time of boats that is given away, for thousands of questions in a row. Who comes back at the minute the next
 * leaves does not overlap.
 */
export class Timeline {
  /** By boat, the earliest first, each with the latest end of all up to it. */
  private readonly boats = new Map<string, { spans: Span[]; latest: number[] }>();

  constructor(spans: Iterable<Span & { boat: string }>) {
    for (const { boat, ...span } of spans) this.of(boat).spans.push(span);
    for (const boat of this.boats.values()) {
      boat.spans.sort((a, b) => a.from - b.from);
      this.count(boat, 0);
    }
  }

  private of(boat: string) {
    const found = this.boats.get(boat) ?? { spans: [], latest: [] };
    this.boats.set(boat, found);
    return found;
  }

  private count({ spans, latest }: { spans: Span[]; latest: number[] }, since: number): void {
    latest.length = spans.length;
    for (let i = since; i < spans.length; i += 1) latest[i] = Math.max(i > 0 ? latest[i - 1]! : -Infinity, spans[i]!.to);
  }

  /** How many of a boat begin before an instant. */
  private before(spans: readonly Span[], at: number): number {
    let [low, high] = [0, spans.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (spans[middle]!.from < at) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** Those that overlap a time, but for one; in no order. */
  overlapping(boat: string, from: number, to: number, but?: string): Span[] {
    const { spans, latest } = this.of(boat);
    const found: Span[] = [];
    for (let i = this.before(spans, to) - 1; i >= 0 && latest[i]! > from; i -= 1) {
      const one = spans[i]!;
      if (one.to > from && one.id !== but) found.push(one);
    }
    return found;
  }

  give(boat: string, span: Span): void {
    const of = this.of(boat);
    const at = this.before(of.spans, span.from);
    of.spans.splice(at, 0, span);
    this.count(of, at);
  }

  free(boat: string, id: string): void {
    const of = this.of(boat);
    const at = of.spans.findIndex((one) => one.id === id);
    if (at < 0) return;
    of.spans.splice(at, 1);
    this.count(of, at);
  }
}
