import { hasFoot, isTask, placeAt, placesOf } from './places';

describe('where staff can be', () => {
  it('a hand goes wherever a manager goes, but for what is a manager’s', () => {
    const keys = (manager: boolean) => Object.values(placesOf(manager)).flatMap((places) => places.map(({ key }) => key));
    expect(keys(false)).toEqual(['today', 'bookings', 'handbook', 'settings']);
    expect(keys(true)).toEqual([
      ...['today', 'bookings', 'fleet', 'attention', 'figures', 'prices', 'staff', 'firstHire', 'handbook', 'settings'],
    ]);
  });

  it('a page of a place belongs to it; a hire, opened from several, to none', () => {
    expect(['/', '/bookings', '/fleet/class/pontoon', '/staff', '/handbook/a-hire', '/boats/new'].map(placeAt)).toEqual([
      ...['today', 'bookings', 'fleet', 'staff', 'handbook', 'fleet'],
    ]);
    expect(['/hire/h-1', '/fleeting', '/more'].map(placeAt)).toEqual([undefined, undefined, undefined]);
  });

  it('what is done with both hands has the whole screen, on a phone whatever has one main action', () => {
    const tasks = ['/hire/h-1/walk/out', '/hire/h-1/sign/in', '/hire/h-1/drill/gas', '/hire/h-1/docking', '/hire/h-1/compare'];
    expect(tasks.filter(isTask)).toEqual(tasks);
    expect(['/', '/hire/h-1', '/hire/h-1/statement', '/hire/walk'].filter(isTask)).toEqual([]);
    expect(
      [
        '/hire/h-1/statement',
        '/hire/h-1/walk/out',
        '/enrol',
        '/setup',
        '/boats/new',
        '/bases/new',
        '/settings/operator',
        '/settings/files',
        '/bookings/exchange',
      ].filter(hasFoot),
    ).toEqual([]);
    expect(['/', '/bookings', '/fleet/tuppenny-bun', '/hire/h-1', '/more'].every(hasFoot)).toBe(true);
  });
});
