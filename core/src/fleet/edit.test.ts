import fc from 'fast-check';
import type { BoatBook, ClassBook } from './book';
import { addRow, changeRow, dropRow, idOf, inheritRow, orderRows, setCondition, setSingle } from './edit';
import { mergeBooks, mergeSingles } from './merge';
import type { Point } from './points';

const shared: ClassBook = {
  format: 'quay-class-book/1',
  id: 'pontoon',
  name: 'Pontoon',
  kind: 'pontoon',
  plan: { lengthM: 7, beamM: 2.5, strokes: [{ draw: 'box', at: [0, -1], size: [7, 2] }] },
  plate: { people: 10, loadKg: 800 },
  engine: { kind: 'outboard' },
  stations: [{ id: 'bow', name: { en: 'Bow' }, at: [6, 0] }],
  points: [
    { id: 'gate', station: 'bow', weight: 'must', seconds: 20, say: { en: 'Shut the gate.', fr: 'Fermez.' }, caution: { en: 'Falls.' } },
  ],
};
const boat: BoatBook = { format: 'quay-boat-book/1', id: 'bun', class: 'pontoon', name: 'Bun', base: 'quay', hullNumber: '1' };
const pointsOf = (book: BoatBook, class_ = shared): Point[] => {
  const resolved = mergeBooks([class_], book);
  if (!resolved.ok) throw new Error(JSON.stringify(resolved.faults));
  return resolved.book.points;
};
const gate = pointsOf(boat)[0]!;
const fieldsOf = ({ id: _, ...fields }: Point) => fields;
const FIELDS = ['weight', 'seconds', 'say', 'show', 'mistake', 'caution'] as const;

describe('editing a layer of a book', () => {
  it('keeps only what differs, and what it resolves to is what was meant', () => {
    const book = changeRow(
      boat,
      'points',
      gate,
      { ...fieldsOf(gate), seconds: 35, say: { ...gate.say, en: 'Shut her gate twice.' } },
      true,
    );
    expect(book.points).toEqual([{ id: 'gate', seconds: 35, say: { en: 'Shut her gate twice.', fr: 'Fermez.' } }]);
    expect(pointsOf(book)).toEqual([{ ...gate, seconds: 35, say: { en: 'Shut her gate twice.', fr: 'Fermez.' } }]);
    expect(changeRow(boat, 'points', gate, fieldsOf(gate), true)).toBe(boat);
  });

  it('changes a change, and takes it back', () => {
    const once = changeRow(boat, 'points', gate, { weight: 'should' }, true);
    const twice = changeRow(once, 'points', pointsOf(once)[0]!, { seconds: 5 }, true);
    expect(twice.points).toEqual([{ id: 'gate', weight: 'should', seconds: 5 }]);
    expect(pointsOf(inheritRow(twice, 'points', 'gate'))).toEqual([gate]);
    expect(inheritRow(boat, 'points', 'gate')).toBe(boat);
  });

  it('empties a text that comes from below for this boat, and one of her own altogether', () => {
    const emptied = changeRow(boat, 'points', gate, { ...fieldsOf(gate), caution: undefined }, true);
    expect(emptied.points).toEqual([{ id: 'gate', caution: null }]);
    expect(pointsOf(emptied)[0]).not.toHaveProperty('caution');
    expect(pointsOf(inheritRow(emptied, 'points', 'gate'))[0]!.caution).toEqual({ en: 'Falls.' });
    const own = addRow(boat, 'points', 'hers', { ...fieldsOf(gate), say: { en: 'Hers.' } });
    const added = pointsOf(own)[1]!;
    const bare = changeRow(own, 'points', added, { caution: undefined }, false);
    expect(bare.points?.[0]).not.toHaveProperty('caution');
    // What is needed cannot be emptied: the book says so when it is resolved.
    expect(mergeBooks([shared], changeRow(boat, 'points', gate, { say: undefined }, true)).ok).toBe(false);
  });

  it('keeps what is said once only where it differs from below, and can say that there is none', () => {
    const class_: ClassBook = { ...shared, windLimitMs: 9, callSign: 'ABC1' };
    const below = mergeSingles([class_]).value;
    const book = setSingle(setSingle(boat, 'plate', { people: 8, loadKg: 600 }, below.plate), 'windLimitMs', 9, below.windLimitMs);
    expect(book).toEqual({ ...boat, plate: { people: 8, loadKg: 600 } });
    expect(mergeSingles([class_, book])).toMatchObject({
      value: { plate: { people: 8, loadKg: 600 }, windLimitMs: 9 },
      from: { plate: 'bun', windLimitMs: 'pontoon' },
    });
    expect(setSingle(book, 'plate', { ...shared.plate! }, below.plate)).toEqual(boat);
    const silent = setSingle(boat, 'callSign', undefined, below.callSign);
    expect(silent.callSign).toBeNull();
    const resolved = mergeBooks([class_], silent);
    expect(resolved.ok && 'callSign' in resolved.book).toBe(false);
    expect(setSingle(boat, 'looks', undefined, undefined)).toEqual(boat);
  });

  it('names conditions over those below, and takes them back', () => {
    const cold = { fact: 'hire.month', in: [1, 2] };
    const class_: ClassBook = { ...shared, conditions: { cold: { fact: 'hire.month', is: 1 } } };
    const book = setCondition(boat, 'cold', cold);
    expect(mergeSingles([class_, book])).toMatchObject({ value: { conditions: { cold } }, from: { 'conditions.cold': 'bun' } });
    expect(setCondition(book, 'cold', undefined)).toEqual(boat);
    expect(setCondition(setCondition(book, 'warm', cold), 'cold', undefined).conditions).toEqual({ warm: cold });
  });

  it('takes an inherited row away, and one of her own altogether', () => {
    expect(pointsOf(dropRow(boat, 'points', 'gate', true))).toEqual([]);
    const id = idOf('Her name is Bun!', ['gate']);
    expect(id).toBe('her-name-is-bun');
    const book = addRow(boat, 'points', id, { ...fieldsOf(gate), show: undefined });
    expect(pointsOf(book).map((point) => point.id)).toEqual(['gate', id]);
    expect(dropRow(book, 'points', id, false).points).toEqual([]);
    expect(idOf('Her name is Bun?', ['gate', id])).toBe('her-name-is-bun-2');
    expect(idOf('…', [])).toBe('row');
  });

  it('lays what was wanted, whatever was changed before (property)', () => {
    const text = fc.option(fc.record({ en: fc.constantFrom('a', 'b', 'c') }), { nil: undefined });
    const edit = fc.record({
      weight: fc.constantFrom('must' as const, 'should' as const, 'spare' as const),
      seconds: fc.integer({ min: 1, max: 600 }),
      say: fc.record({ en: fc.constantFrom('x', 'y', 'z') }),
      show: text,
      mistake: text,
      caution: text,
    });
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 5 }), (edits) => {
        let book = boat;
        for (const one of edits) book = changeRow(book, 'points', pointsOf(book)[0]!, one, true);
        const resolved = pointsOf(book)[0]!;
        for (const field of FIELDS) expect(resolved[field]).toEqual(edits[edits.length - 1]![field]);
      }),
    );
  });
});

describe('putting rows in order', () => {
  const point = (id: string) => ({ id, station: 'bow', weight: 'should', seconds: 5, say: { en: id } });
  const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
  const many: ClassBook = { ...shared, points: ids.map(point) };
  const orderOf = (book: BoatBook) => pointsOf(book, many).map(({ id }) => id);

  it('moves one row and says nothing of the others', () => {
    const book = orderRows(boat, 'points', ids, ['b', 'c', 'd', 'a', 'e', 'f']);
    expect(book.points).toEqual([{ id: 'a', after: 'd' }]);
    expect(orderOf(book)).toEqual(['b', 'c', 'd', 'a', 'e', 'f']);
    expect(orderRows(book, 'points', ids, ids).points).toEqual([]);
    expect(orderRows(boat, 'points', ids, ['f', ...ids.slice(0, 5)]).points).toEqual([{ id: 'f', after: null }]);
  });

  it('lays any order that is wanted, with rows of her own, changed and taken away among them (property)', () => {
    fc.assert(
      fc.property(
        fc.subarray(ids),
        fc.subarray(ids),
        fc.integer({ min: 0, max: 3 }),
        fc.array(fc.infiniteStream(fc.nat()), { minLength: 1, maxLength: 3 }),
        (dropped, changed, own, shuffles) => {
          let book = boat;
          for (const id of dropped) book = dropRow(book, 'points', id, true);
          for (const id of changed) if (!dropped.includes(id)) book = changeRow(book, 'points', { id }, { seconds: 9 }, true);
          for (let i = 0; i < own; i += 1) book = addRow(book, 'points', `own-${i}`, { ...point(`own-${i}`) });
          for (const numbers of shuffles) {
            const now = orderOf(book);
            const wanted = now.map((id) => [id, numbers.next().value] as const).sort(([, a], [, b]) => a - b);
            book = orderRows(
              book,
              'points',
              ids,
              wanted.map(([id]) => id),
            );
            expect(orderOf(book)).toEqual(wanted.map(([id]) => id));
            // Nothing else was lost on the way.
            const seconds = new Map(pointsOf(book, many).map((one) => [one.id, one.seconds]));
            for (const id of changed) if (!dropped.includes(id)) expect(seconds.get(id)).toBe(9);
          }
        },
      ),
    );
  });
});
