import { signed } from '@quay/core/walk/events';
import { isEntered, currentOf, currentUnder, type HireRecord } from '@quay/core/events/record';
import { sealed } from '@quay/core/record/events';
import { holdOverridden } from '@quay/core/castOff/events';
import type { Measures } from '@quay/core/number/units';
import { type Language, say } from '@quay/core/words/words';
import type { Book } from '@quay/core/fleet/book';
import { pageOf } from '@quay/core/walk/readback';
import { attachmentsOf, type EventBody, type StoredHireEvent } from '@quay/core/record/event';
import { spoken } from '@quay/core/events/seal';
import { filled, STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import type { DossierWords } from './words';

/** A part of the readable dossier: what it says, and the pictures that belong to it. */
export type Section = { title: string; level: 1 | 2; rows: string[]; pictures: { sha: string; caption: string }[] };

export type About = {
  book: Book;
  boat: string;
  renter: string;
  language: Language;
  words: DossierWords;
  /** An instant as people at the base read it. */
  when: (at: string) => string;
  money: (minor: number) => string;
  measures: Measures;
  /** When the quay took a seal in, by its root. */
  received: ReadonlyMap<string, string>;
};

const known = <K extends string>(words: Readonly<Record<K, string>>, key: string): string =>
  (words as Readonly<Record<string, string>>)[key] ?? key;

/** The record as a person reads it: both walks as they were read back, what a manager let go, the deposit, every entry. */
export const sectionsOf = (record: HireRecord<EventBody>, stored: readonly StoredHireEvent[], of: About): Section[] => {
  const { book, boat, renter, language, words, when, money, measures, received } = of;
  const marks = STATEMENT_WORDS[language].mark;
  const text = (title: string, rows: string[], pictures: Section['pictures'] = []): Section[] =>
    rows.length + pictures.length > 0 ? [{ title, level: 2, rows, pictures }] : [];
  const walks = (['out', 'in'] as const).flatMap((walk): Section[] => {
    if (!isEntered(record, [walk, 'started'])) return [];
    const page = pageOf(record, book, walk, boat, language, { measures });
    const seal = currentOf(record, [walk, 'sealed'], sealed);
    const surfaces = new Map(book.surfaces.map(({ id, name }) => [id, say(name, language)]));
    const pictures = [...record.subjects.values()].flatMap(({ subject, value }) => {
      if (subject[0] !== walk || value.kind === 'signed') return [];
      const caption =
        value.kind === 'markPlaced'
          ? `${marks[value.mark.kind]}, ${measures.small(value.mark.sizeMm)}, ${surfaces.get(value.mark.surface) ?? ''}`
          : value.kind === 'surfaceSeen'
            ? (surfaces.get(value.surface) ?? '')
            : words.propellers;
      return attachmentsOf(value).map((sha) => ({ sha, caption }));
    });
    const signatures = (['renter', 'staff'] as const).flatMap((as) => {
      const name = currentOf(record, [walk, 'signed', as], signed);
      return name ? [{ sha: name.value.drawing, caption: `${as === 'renter' ? renter : words.by.quay} · ${when(name.by.event.at)}` }] : [];
    });
    return [
      { title: words[walk], level: 1, rows: [], pictures: [] },
      ...text(
        words.fuel,
        page.fuel.map(({ tank, litres, low, high }) =>
          filled(words.fuelLine, { tank, v: measures.litres(litres), low: measures.litres(low), high: measures.litres(high) }),
        ),
      ),
      ...text(
        words.marks,
        page.marks.length > 0
          ? page.marks.map((one) => `${known(marks, one.kind)}, ${measures.small(one.sizeMm)}, ${one.surface}`)
          : [words.noMarks],
        pictures,
      ),
      ...text(
        words.propellers,
        page.propellers.map(({ name, state }) => `${name}: ${known(words.prop, state)}`),
      ),
      ...text(
        words.counts,
        page.counts.map(
          ({ name, count, of: whole, state }) =>
            `${name}: ${filled(words.of, { n: count, of: whole })}${state === 'fine' ? '' : `, ${known(words.state, state)}`}`,
        ),
      ),
      ...text(
        words.gauges,
        page.gauges.map(({ name, shown }) => `${name}: ${shown}`),
      ),
      ...text(
        words.drills,
        (page.drills ?? []).map(({ name }) => name),
      ),
      ...text(words.told, page.briefed),
      ...text(words.read, page.read ?? []),
      ...text(words.skipped, page.skipped),
      ...text(
        words.remarks,
        (page.remarks ?? []).map(({ as, text: said }) => `${as === 'renter' ? renter : words.by.quay}: ${said}`),
      ),
      ...text(words.clauses, page.clauses === undefined ? [] : [page.clauses]),
      ...text(
        words.signatures,
        seal
          ? [
              filled(words.seal, {
                root: spoken(seal.value.root),
                at: when(seal.by.event.at),
                received: received.has(seal.value.root) ? when(received.get(seal.value.root)!) : words.notTaken,
              }),
            ]
          : [],
        signatures,
      ),
    ];
  });
  const overridden = currentUnder(record, ['overridden'], holdOverridden).flatMap(({ currentEvents }) =>
    currentEvents.flatMap(({ event }) =>
      event.body.kind === 'holdOverridden' ? [`${when(event.at)} · ${event.body.matter.split('/')[0] ?? ''}: ${event.body.why}`] : [],
    ),
  );
  const deposits = stored.flatMap(({ event }) =>
    event.body.kind === 'depositAnswered'
      ? [`${when(event.at)} · ${money(event.body.amountMinor)} · ${event.body.answer}`]
      : event.body.kind === 'depositTaken'
        ? [`${when(event.at)} · ${money(event.body.amountMinor)} · ${event.body.how}`]
        : [],
  );
  const entries = [...stored]
    .sort((a, b) => (a.event.at < b.event.at ? -1 : a.event.at > b.event.at ? 1 : a.event.deviceSeq - b.event.deviceSeq))
    .map(({ event, actor }) => `${when(event.at)} · ${words.by[actor.role]} · ${event.body.kind}`);
  return [...walks, ...text(words.overridden, overridden), ...text(words.deposit, deposits), ...text(words.entries, entries)];
};
