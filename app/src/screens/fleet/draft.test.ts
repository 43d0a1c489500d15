import { ClassBook } from '@quay/core/fleet/book';
import { Base } from '@quay/core/fleet/base';
import { LISTS } from '@quay/core/fleet/book';
import anyBoat from '../../../../demo/classes/any-boat.json';
import bases from '../../../../demo/bases.json';
import canal from '../../../../demo/classes/canal-12.json';
import electric from '../../../../demo/classes/electric-5.json';
import pontoon from '../../../../demo/classes/pontoon-7.json';
import { type Draft, draftOf, readDraft } from './draft';
import { BASE_FIELDS, BASE_LISTS, FIELDS } from './fields';

const known = (fields: readonly { field: string }[]) => new Set(['id', 'absent', 'after', ...fields.map(({ field }) => field)]);

describe('a row in the editor', () => {
  it('has a field for everything that any row of the demo says, and reads back what it shows', () => {
    for (const book of [anyBoat, canal, electric, pontoon].map((one) => ClassBook.parse(one)))
      for (const list of LISTS)
        for (const row of book[list] ?? []) {
          expect(Object.keys(row).filter((field) => !known(FIELDS[list]).has(field))).toEqual([]);
          // Rows that only change others lack what is needed of a whole one.
          const read = readDraft(draftOf(row, FIELDS[list]), FIELDS[list]);
          if (!read.ok) continue;
          const { id: _, absent: __, after: ___, ...fields } = row;
          expect(Object.fromEntries(Object.entries(read.edit).filter(([, value]) => value !== undefined))).toEqual(fields);
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
      jacket: '{ "kind": ',
    };
    expect(readDraft(draft, FIELDS.fittings)).toEqual({
      ok: false,
      faults: { station: 'needed', name: 'needsEnglish', count: 'whole', jacket: 'noJson' },
    });
    const faults = (typed: string) => {
      const read = readDraft({ ...draft, count: typed }, FIELDS.fittings);
      return read.ok ? undefined : read.faults.count;
    };
    expect([faults('many'), faults('100'), faults(''), faults('7')]).toEqual(['number', 'range', 'needed', undefined]);
    const good = readDraft({ ...draft, station: 'bow', name: { en: 'Jackets', fr: '' }, count: '7', jacket: '' }, FIELDS.fittings);
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
