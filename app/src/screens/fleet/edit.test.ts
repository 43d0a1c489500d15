import type { BoatBook, ClassBook } from '@quay/core/fleet/book';
import { layBooks } from '@quay/core/fleet/lay';
import type { Point } from '@quay/core/fleet/telling';
import { addPoint, changePoint, dropPoint, inheritPoint, type PointEdit } from './edit';

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
const pointsOf = (book: BoatBook): Point[] => {
  const laid = layBooks([shared], book);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.book.points;
};
const [gate] = pointsOf(boat);
const editOf = ({ weight, seconds, say, show, mistake, caution }: Point): PointEdit => ({ weight, seconds, say, show, mistake, caution });

describe('editing a boat’s own book', () => {
  it('keeps only what differs, and what is then laid is what was meant', () => {
    const book = changePoint(boat, gate!, { ...editOf(gate!), seconds: 35, say: { ...gate!.say, en: 'Shut her gate twice.' } });
    expect(book.points).toEqual([{ id: 'gate', seconds: 35, say: { en: 'Shut her gate twice.', fr: 'Fermez.' } }]);
    expect(pointsOf(book)[0]).toEqual({ ...gate, seconds: 35, say: { en: 'Shut her gate twice.', fr: 'Fermez.' } });
    expect(changePoint(boat, gate!, editOf(gate!))).toBe(boat);
  });
  it('changes a change, and takes it back', () => {
    const once = changePoint(boat, gate!, { ...editOf(gate!), weight: 'should' });
    const twice = changePoint(once, pointsOf(once)[0]!, { ...editOf(pointsOf(once)[0]!), seconds: 5 });
    expect(twice.points).toEqual([{ id: 'gate', weight: 'should', seconds: 5 }]);
    expect(pointsOf(inheritPoint(twice, 'gate'))).toEqual([gate]);
  });
  it('takes a text that is emptied out of her row, and leaves the class’s where she had said nothing', () => {
    const own = changePoint(boat, gate!, { ...editOf(gate!), caution: { en: 'Hers bites.' } });
    const emptied = changePoint(own, pointsOf(own)[0]!, { ...editOf(pointsOf(own)[0]!), caution: undefined });
    expect(emptied.points).toEqual([]);
    expect(pointsOf(emptied)[0]!.caution).toEqual({ en: 'Falls.' });
    const { book, id } = addPoint(boat, 'bow', { ...editOf(gate!), say: { en: 'Hers.' } }, ['gate']);
    const added = pointsOf(book).find((point) => point.id === id)!;
    expect(
      pointsOf(changePoint(book, added, { ...editOf(added), caution: undefined })).find((point) => point.id === id),
    ).not.toHaveProperty('caution');
    expect(changePoint(boat, gate!, { ...editOf(gate!), caution: undefined })).toBe(boat);
  });
  it('takes an inherited point away, and one of her own altogether', () => {
    expect(pointsOf(dropPoint(boat, 'gate', true))).toEqual([]);
    const { book, id } = addPoint(boat, 'bow', { ...editOf(gate!), say: { en: 'Her name is Bun!' } }, ['gate']);
    expect(id).toBe('her-name-is-bun');
    expect(pointsOf(book).map((point) => point.id)).toEqual(['gate', 'her-name-is-bun']);
    expect(dropPoint(book, id, false).points).toEqual([]);
    expect(addPoint(book, 'bow', { ...editOf(gate!), say: { en: 'Her name is Bun?' } }, ['gate', id]).id).toBe('her-name-is-bun-2');
  });
});
