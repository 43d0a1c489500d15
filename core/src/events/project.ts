import equal from 'fast-deep-equal';
import type { EventDefinition } from './define';
import type { Walk } from './parts';
import { type HireRecord, keyOf, type CurrentValue, walkOf } from './record';
import { type AnyBody, byTime, happenedAt, type StoredEvent } from './stored';
import { undoneIds } from './undone';

/**
 * The record: what a set of events comes to. Any order of arrival, any number of times: the same result, because
 * nothing below looks at arrival. Two values for one thing that nobody replaced are a conflict and stay one. Nothing
 * here knows a kind: what each does to the others, its definition says.
 */

/** Looks up what is known of a body's kind. */
export type DefinitionOf<B extends AnyBody> = (body: B) => EventDefinition<string, B>;

/** Current events of each subject, oldest first: not undone, and not replaced by one that is not undone. */
type Current<B extends AnyBody> = {
  subjects: ReadonlyMap<string, StoredEvent<B>[]>;
  /** Who said which value is right, by the subject of the conflict. */
  resolutions: ReadonlyMap<string, StoredEvent<B>[]>;
};

/** What fixes a walk, or all of it: only what it covers counts. */
type SealBoundary<B extends AnyBody> = { one: StoredEvent<B>; covers: ReadonlySet<string>; at: number };

class Projection<B extends AnyBody> {
  private readonly known = new Map<string, StoredEvent<B>>();
  private readonly everything: readonly StoredEvent<B>[];
  private readonly definitionOf: DefinitionOf<B>;
  private readonly late: StoredEvent<B>[] = [];
  private readonly addedAfterSeal: StoredEvent<B>[] = [];
  private readonly proposed: StoredEvent<B>[] = [];
  private readonly answered: StoredEvent<B>[] = [];
  private readonly ofOtherBoat: StoredEvent<B>[] = [];

  constructor(stored: Iterable<StoredEvent<B>>, definitionOf: DefinitionOf<B>) {
    this.definitionOf = definitionOf;
    for (const one of stored) {
      const other = this.known.get(one.event.id);
      // Kept here and stored by the server is the same event; the server's copy says when it came and whose clock was wrong.
      if (!other || (other.receivedAt === undefined && one.receivedAt !== undefined)) this.known.set(one.event.id, one);
    }
    this.everything = [...this.known.values()].sort((a, b) => (a.event.id < b.event.id ? -1 : 1));
  }

  private effectOf = ({ event: { body } }: StoredEvent<B>) => this.definitionOf(body).effect;
  private does = (one: StoredEvent<B> | undefined, ...what: readonly NonNullable<EventDefinition<string, B>['effect']>['does'][]) => {
    const does = one && this.effectOf(one)?.does;
    return does !== undefined && what.includes(does);
  };
  private isUndo = (one: StoredEvent<B>) => this.does(one, 'undo');

  private currentOf(all: readonly StoredEvent<B>[]): Current<B> {
    const undone = undoneIds(all, this.isUndo);
    const subjects = new Map<string, StoredEvent<B>[]>();
    const resolutions = new Map<string, StoredEvent<B>[]>();
    /** Who was replaced, and in which subjects. */
    const replaced = new Map<string, Set<string>>();
    for (const one of all) {
      const subject = this.definitionOf(one.event.body).subject(one.event.body);
      if (subject === undefined || undone.has(one.event.id)) continue;
      const key = keyOf(subject);
      const rows = subjects.get(key);
      if (rows) rows.push(one);
      else subjects.set(key, [one]);
      // A correction speaks only about its own thing, whatever else it names.
      for (const id of one.event.replaces) {
        if (id === one.event.id) continue;
        const keys = replaced.get(id);
        if (keys) keys.add(key);
        else replaced.set(id, new Set([key]));
      }
    }
    for (const [key, rows] of subjects) {
      if (rows.length > 1) {
        const current = rows.filter(({ event }) => replaced.get(event.id)?.has(key) !== true);
        // Events that replace each other in a ring would leave nothing; nothing entered is dropped, so all of them stand.
        subjects.set(key, (current.length > 0 ? current : rows).sort(byTime));
      }
      const effect = this.effectOf(rows[0]!);
      if (effect?.does === 'resolve') resolutions.set(keyOf(effect.between(rows[0]!.event.body)), subjects.get(key)!);
    }
    return { subjects, resolutions };
  }

  /** The one that somebody said is right, among several current; nothing while those who said so disagree themselves. */
  private resolution(key: string, current: readonly StoredEvent<B>[], { resolutions }: Current<B>) {
    const said = resolutions.get(key) ?? [];
    const named = new Set(
      said.flatMap((one) => {
        const effect = this.effectOf(one);
        return effect?.does === 'resolve' ? [effect.stands(one.event.body)] : [];
      }),
    );
    const by = named.size === 1 ? current.find(({ event }) => named.has(event.id)) : undefined;
    return by && { by, resolvedBy: said[said.length - 1]! };
  }

  /** Whether two that stand for one subject say different things, where only one of them can be right. */
  private disagree = (a: StoredEvent<B>, b: StoredEvent<B>): boolean =>
    this.definitionOf(a.event.body).merge === 'replace' && !equal(a.event.body, b.event.body);

  /** @param walk that is sealed; without one, the closing of the whole */
  private boundary(first: Current<B>, walk?: Walk): SealBoundary<B> | undefined {
    for (const [key, current] of first.subjects) {
      const effect = this.effectOf(current[0]!);
      if (effect?.does !== 'seal' && effect?.does !== 'close') continue;
      if ((effect.does === 'seal' ? walkOf(current[0]!.event.body) : undefined) !== walk) continue;
      const one = this.resolution(key, current, first)?.by ?? current[0]!;
      return { one, covers: new Set(effect.covers(one.event.body)), at: happenedAt(one) };
    }
    return undefined;
  }

  /** An undo may not take away what was signed, nor a seal. */
  private sparesWhatIsSigned = ({ event: { replaces } }: StoredEvent<B>, { covers }: SealBoundary<B>): boolean =>
    replaces.every((id) => !covers.has(id) && !this.does(this.known.get(id), 'seal'));

  /** What was signed can be put right by the quay, which shows; it cannot be taken away, nor signed by halves. */
  private looksAgain(one: StoredEvent<B>, line: SealBoundary<B>): boolean {
    if (happenedAt(one) <= line.at || (one.actor.role !== 'hand' && one.actor.role !== 'manager')) return false;
    return this.isUndo(one) ? this.sparesWhatIsSigned(one, line) : !this.does(one, 'sign', 'refuse');
  }

  /** While she still lies at the quay a miscount can be put right; once she is off, departure is what was signed. */
  private putsRight(one: StoredEvent<B>, line: SealBoundary<B>, leftAt: number): boolean {
    const at = happenedAt(one);
    if (at <= line.at || at >= leftAt || one.actor.role === 'quay') return false;
    return this.isUndo(one) ? this.sparesWhatIsSigned(one, line) : !this.does(one, 'refuse');
  }

  /**
   * Without what was entered of a boat that the hire was given another one for. Which boat an entry is about, it says itself;
   * where it does not, its time tells. A hire that gets its first boat back has again what was entered of her.
   */
  private ofThisBoat(): readonly StoredEvent<B>[] {
    const swaps = this.everything
      .flatMap((one) => {
        const effect = this.effectOf(one);
        if (effect?.does !== 'swap') return [];
        const { body } = one.event;
        return [{ at: happenedAt(one), from: effect.from(body), to: effect.to(body), same: new Set(effect.same(body)), one }];
      })
      .sort((a, b) => byTime(a.one, b.one));
    const last = swaps[swaps.length - 1];
    if (!last) return this.everything;
    return this.everything.filter((one) => {
      const at = happenedAt(one);
      const boat = one.event.boat ?? swaps.findLast((swap) => swap.at <= at)?.to ?? swaps[0]!.from;
      if (boat === last.to || this.does(one, 'undo', 'swap')) return true;
      const { onSwap } = this.definitionOf(one.event.body);
      const goesAlong = swaps.every((swap) => (swap.at < at && swap.from !== boat) || onSwap(one.event.body, swap.same));
      if (!goesAlong) this.ofOtherBoat.push(one);
      return goesAlong;
    });
  }

  /** What is inside the seals and the closing; what is outside is sorted by why. */
  private counting(): readonly StoredEvent<B>[] {
    const mine = this.ofThisBoat();
    // The closing and the seals decide which events count, so they are found first, among themselves: a seal can be
    // replaced by a later one that both sign, never undone.
    const first = this.currentOf(mine.filter((one) => this.does(one, 'seal', 'close', 'resolve')));
    const closing = this.boundary(first);
    const seals = { out: this.boundary(first, 'out'), in: this.boundary(first, 'in') };
    if (!closing && !seals.out && !seals.in) return mine;
    const going = this.currentOf(mine.filter((one) => this.does(one, 'leave', 'undo')));
    const left = [...going.subjects.values()].find(([one]) => this.does(one, 'leave'))?.[0];
    const leftAt = left ? happenedAt(left) : Infinity;
    const goesOn = (one: StoredEvent<B> | undefined) => one !== undefined && this.definitionOf(one.event.body).afterClosing;
    const outside = (one: StoredEvent<B>): boolean => {
      const { body, id, replaces } = one.event;
      const undoes = this.isUndo(one);
      if (
        this.does(one, 'close') ||
        goesOn(one) ||
        (undoes && replaces.length > 0 && replaces.every((target) => goesOn(this.known.get(target))))
      )
        return false;
      // An undo concerns the walks of what it takes away.
      const concerns = (walk: Walk) =>
        undoes
          ? replaces.some((target) => {
              const taken = this.known.get(target);
              return taken !== undefined && walkOf(taken.event.body) === walk;
            })
          : !this.does(one, 'seal') && walkOf(body) === walk;
      for (const line of [closing, concerns('out') ? seals.out : undefined, concerns('in') ? seals.in : undefined]) {
        if (!line || line.covers.has(id) || line.one.event.id === id) continue;
        if ((line === seals.in && this.looksAgain(one, line)) || (line === seals.out && this.putsRight(one, line, leftAt))) {
          this.addedAfterSeal.push(one);
          continue;
        }
        (this.does(one, 'answer') ? this.answered : happenedAt(one) <= line.at ? this.late : this.proposed).push(one);
        return true;
      }
      return false;
    };
    return mine.filter((one) => !outside(one));
  }

  private wrongClocks(): HireRecord['wrongClocks'] {
    const clocks = new Map<string, number>();
    for (const { event, behindMs } of this.everything) {
      if (behindMs !== undefined && Math.abs(behindMs) > 120_000 && Math.abs(behindMs) >= Math.abs(clocks.get(event.device) ?? 0))
        clocks.set(event.device, behindMs);
    }
    return [...clocks].map(([device, behindMs]) => ({ device, behindMs })).sort((a, b) => (a.device < b.device ? -1 : 1));
  }

  record(): HireRecord<B> {
    const counting = this.counting();
    const subjects = new Map<string, CurrentValue<B>>();
    const conflicts: CurrentValue<B>[] = [];
    let bookVersion: number | undefined;
    const now = this.currentOf(counting);
    for (const [key, current] of now.subjects) {
      const first = current[0]!;
      const differs = current.slice(1).some((other) => this.disagree(first, other));
      const resolved = differs ? this.resolution(key, current, now) : undefined;
      const by = resolved?.by ?? first;
      const value: CurrentValue<B> = {
        subject: this.definitionOf(first.event.body).subject(first.event.body)!,
        value: by.event.body,
        by,
        currentEvents: current,
        conflict: differs && !resolved,
        ...(resolved ? { resolvedBy: resolved.resolvedBy } : {}),
      };
      subjects.set(key, value);
      if (value.conflict) conflicts.push(value);
      if (this.does(by, 'start') && walkOf(by.event.body) === 'out') bookVersion = by.event.bookVersion;
    }
    const undone = this.addedAfterSeal.length > 0 ? undoneIds(counting, this.isUndo) : new Set<string>();
    // What was added and taken away again leaves what was signed as it was.
    const again = this.addedAfterSeal.filter(({ event }) => !undone.has(event.id)).sort(byTime);
    const unsignedOf = (walk: Walk) => again.filter((one) => walkOf(one.event.body) === walk && !this.does(one, 'sign'));
    return {
      subjects,
      conflicts: conflicts.sort((a, b) => (keyOf(a.subject) < keyOf(b.subject) ? -1 : 1)),
      late: this.late.sort(byTime),
      addedAfterSeal: again,
      unsigned: { out: unsignedOf('out'), in: unsignedOf('in') },
      proposed: this.proposed.sort(byTime),
      answered: this.answered.sort(byTime),
      ofOtherBoat: this.ofOtherBoat.sort(byTime),
      wrongClocks: this.wrongClocks(),
      bookVersion,
    };
  }
}

/** @param stored every event known, in any order, any number of times */
export const projectWith = <B extends AnyBody>(stored: Iterable<StoredEvent<B>>, definitionOf: DefinitionOf<B>): HireRecord<B> =>
  new Projection(stored, definitionOf).record();
