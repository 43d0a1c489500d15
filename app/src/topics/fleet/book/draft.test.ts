import { BoatBook, ClassBook } from '@quay/core/fleet/book';
import { canDraw } from '@quay/core/fleet/drawing';
import { mergeSingles } from '@quay/core/fleet/merge';
import { Base, BASE_LISTS } from '@quay/core/fleet/base';
import { LISTS } from '@quay/core/fleet/book';
import boat from '../../../../../demo/boats/quiet-pickle.json';
import anyBoat from '../../../../../starters/classes/any-boat.json';
import bases from '../../../../../demo/bases.json';
import canal from '../../../../../starters/classes/canal-12.json';
import electric from '../../../../../starters/classes/electric-5.json';
import pontoon from '../../../../../starters/classes/pontoon-7.json';
import liveAboard from '../../../../../starters/classes/live-aboard.json';
import houseboat from '../../../../../starters/classes/houseboat-14.json';
import cruiser from '../../../../../starters/classes/cruiser-10.json';
import rib from '../../../../../starters/classes/rib-6.json';
import { ABOUT_BASE, aboutBoat, aboutClass } from './about';
import { type Draft, draftOf, readDraft } from './draft';
import { BASE_FIELDS, FIELDS } from './fields/fields';

const known = (fields: readonly { field: string }[]) => new Set(['id', 'absent', 'after', ...fields.map(({ field }) => field)]);

/** What a row says: a list of nothing says nothing. */
const saying = (row: object) =>
  Object.fromEntries(
    Object.entries(row).filter(([, value]) => value !== undefined && JSON.stringify(value) !== '[]' && JSON.stringify(value) !== '{}'),
  );

describe('a row in the editor', () => {
  it('has a field for everything that any row of the demo says, and reads back what it shows', () => {
    for (const book of [anyBoat, liveAboard, canal, electric, pontoon, houseboat, cruiser, rib].map((one) => ClassBook.parse(one)))
      for (const list of LISTS)
        for (const row of book[list] ?? []) {
          expect(Object.keys(row).filter((field) => !known(FIELDS[list]).has(field))).toEqual([]);
          // Rows that only change others lack what is needed of a whole one.
          const read = readDraft(draftOf(row, FIELDS[list]), FIELDS[list]);
          if (!read.ok) continue;
          const { id: _, absent: __, after: ___, ...fields } = row;
          expect(saying(read.edit)).toEqual(saying(fields));
        }
    for (const base of bases.bases.map((one) => Base.parse(one)))
      for (const list of BASE_LISTS)
        for (const row of base[list]) {
          expect(Object.keys(row).filter((field) => !known(BASE_FIELDS[list]).has(field))).toEqual([]);
          const read = readDraft(draftOf(row, BASE_FIELDS[list]), BASE_FIELDS[list]);
          const { id: _, ...fields } = row;
          expect(read.ok && Object.fromEntries(Object.entries(read.edit).filter(([, value]) => value !== undefined))).toEqual(fields);
        }
  });

  it('says what is wrong at the field, and reads nothing by half', () => {
    const draft: Draft = {
      station: '',
      name: { en: ' ', fr: 'Gilets' },
      kind: 'required',
      count: '2,5',
      safety: true,
      expiry: '',
      price: '',
      jacket: { kind: 'foam', fromKg: 'light', toKg: '', newtons: '100' },
    };
    expect(readDraft(draft, FIELDS.fittings)).toEqual({
      ok: false,
      faults: { station: 'needed', name: 'needsEnglish', count: 'whole', 'jacket.fromKg': 'number', 'jacket.toKg': 'needed' },
    });
    const faults = (typed: string) => {
      const read = readDraft({ ...draft, count: typed }, FIELDS.fittings);
      return read.ok ? undefined : read.faults.count;
    };
    expect([faults('many'), faults('100'), faults(''), faults('7')]).toEqual(['number', 'range', 'needed', undefined]);
    const good = readDraft({ ...draft, station: 'bow', name: { en: 'Jackets', fr: '' }, count: '7', jacket: undefined }, FIELDS.fittings);
    expect(good.ok && good.edit).toEqual({
      station: 'bow',
      name: { en: 'Jackets' },
      kind: 'required',
      count: 7,
      safety: true,
      expiry: undefined,
      price: undefined,
      jacket: undefined,
    });
  });
});

describe('what is nested in a row', () => {
  const question = {
    ask: { en: 'Where?' },
    answers: [
      { id: 'a', say: { en: 'Here' }, right: true },
      { id: 'b', say: { en: 'There' } },
    ],
  };

  it('is told by the way to it where it is wrong, and keeps the id it has', () => {
    const point = { station: 'helm', say: { en: 'Look.' }, weight: 'must', seconds: 10, questions: [{ id: 'q', ...question }] };
    const draft = draftOf(point, FIELDS.points);
    const read = readDraft(draft, FIELDS.points);
    expect(read.ok && read.edit.questions).toEqual([{ id: 'q', ...question }]);
    const [asked] = draft.questions as unknown as { answers: { say: object }[] }[];
    const emptied = {
      ...draft,
      questions: [{ ...asked!, ask: { en: '' }, answers: [asked!.answers[0]!, { ...asked!.answers[1]!, say: { fr: 'Là' } }] }],
    };
    const wrong = readDraft(emptied, FIELDS.points);
    expect(wrong.ok ? {} : wrong.faults).toEqual({ 'questions.0.ask': 'needsEnglish', 'questions.0.answers.1.say': 'needsEnglish' });
  });

  it('is gone as a whole where it is taken away, and needed where it is needed', () => {
    const card = { name: { en: 'Card' }, cautions: [{ en: 'Careful' }], steps: [{ id: 's', say: { en: 'Stop' }, to: 'end' }] };
    const draft = draftOf(card, FIELDS.fixCards);
    const read = (more: object) => readDraft({ ...draft, ...more }, FIELDS.fixCards);
    const none = read({ cautions: [] });
    expect(none.ok && none.edit.cautions).toBeUndefined();
    const stepless = read({ steps: [] });
    expect(stepless.ok ? {} : stepless.faults).toEqual({ steps: 'needed' });
  });
});

describe('what a book says once', () => {
  const laidOf = (...layers: readonly (ClassBook | BoatBook)[]) => ({
    ...mergeSingles(layers),
    below: mergeSingles(layers.slice(0, -1)).value,
  });

  it('is read and written back without saying anything of its own', () => {
    const [low, own] = [ClassBook.parse(anyBoat), ClassBook.parse(electric)];
    const pickle = BoatBook.parse(boat);
    for (const { fields, read, write } of aboutBoat(laidOf(low, own, pickle))) {
      const typed = readDraft(draftOf(read(pickle), fields), fields);
      expect(typed.ok && write(pickle, typed.edit)).toEqual(pickle);
    }
    for (const { fields, read, write } of aboutClass(laidOf(low, own))) {
      const typed = readDraft(draftOf(read(own), fields), fields);
      expect(typed.ok && write(own, typed.edit)).toEqual(own);
    }
    for (const base of bases.bases.map((one) => Base.parse(one)))
      for (const { fields, read, write } of ABOUT_BASE) {
        const typed = readDraft(draftOf(read(base), fields), fields);
        expect(typed.ok && write(base, typed.edit)).toEqual(base);
      }
  });

  it('reaches every field of a base that is no list', () => {
    const shown = new Set(ABOUT_BASE.flatMap(({ id, fields }) => [id, ...fields.map(({ field }) => field)]));
    const rest = Object.keys(Base.shape).filter((field) => !shown.has(field) && !(BASE_LISTS as readonly string[]).includes(field));
    // The id stands in records; name is asked for as what it is called; hires are told by zone and waters.
    expect(rest).toEqual(['id', 'name', 'zone', 'waters']);
  });

  it('takes a plate of her own, and goes back to that of her class', () => {
    const resolved = laidOf(ClassBook.parse(electric), BoatBook.parse(boat));
    const plate = aboutBoat(resolved).find(({ id }) => id === 'plate')!;
    const changed = plate.write(BoatBook.parse(boat), { people: 2, loadKg: 150 });
    expect(changed.plate).toEqual({ people: 2, loadKg: 150 });
    expect(plate.write(changed, { ...(resolved.below.plate as object) })).toEqual(BoatBook.parse(boat));
  });

  it('knows a drawing that cannot be drawn yet from one that can', () => {
    const strokes = ClassBook.parse(electric).plan!.strokes as unknown[];
    expect(canDraw(strokes)).toBe(true);
    for (const wrong of [
      [],
      [...strokes, null],
      [{ draw: 'path', points: [[0, 0]] }],
      [{ draw: 'ring', at: [0, 'a'], radius: 1 }],
      [{ draw: 'box', at: [0, 0] }],
      'box',
    ])
      expect(canDraw(wrong)).toBe(false);
  });
});
