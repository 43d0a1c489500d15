import { draftOf, newDraft, readDraft, sizeTaken } from './draft';

describe('a row of the party form', () => {
  const draft = { ...newDraft([]), age: '34', mass: '72,5', swims: 'well' as const };
  it('is read as it is written, with comma or point, and back', () => {
    const read = readDraft(draft);
    expect(read).toEqual({ ok: true, person: { id: 'p1', name: '', age: 34, massKg: 72.5, swims: 'well' } });
    expect(read.ok && draftOf(read.person)).toEqual({ ...draft, mass: '72.5' });
  });
  it.each([
    [{ age: '' }, ['ageMissing']],
    [{ age: '121' }, ['age']],
    [{ age: '7.5' }, ['age']],
    [{ age: 'old' }, ['age']],
    [{ mass: '1' }, ['mass']],
    [{ mass: '251' }, ['mass']],
    [{ mass: 'heavy' }, ['mass']],
    [{ mass: '' }, ['massMissing']],
    [{ age: '-3', mass: '0' }, ['age', 'mass']],
    [{ swims: undefined }, ['swimsMissing']],
  ])('%j is said at its field', (part, faults) => {
    expect(readDraft({ ...draft, ...part })).toEqual({ ok: false, faults });
  });
  it('takes a size by age for children alone, and a chosen one before it', () => {
    expect(sizeTaken({ ...draft, age: '7', mass: '' })).toBe('child');
    expect(sizeTaken({ ...draft, age: '7', mass: '', size: 'youth' })).toBe('youth');
    expect(sizeTaken({ ...draft, age: '40', mass: '' })).toBeUndefined();
    expect(readDraft({ ...draft, age: '7', mass: '' })).toMatchObject({ ok: true, person: { size: 'child' } });
  });
  it('never gives a new row the name of one that is there', () => {
    expect(newDraft([{ id: 'p2' }, { id: 'p1' }]).id).toBe('p3');
    expect(newDraft([{ id: 'p2' }]).id).toBe('p3');
  });
});
