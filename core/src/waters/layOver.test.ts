import fc from 'fast-check';
import { demoCase } from '../testing/demoHire';
import { layOver } from './layOver';

const waters = demoCase.waters!;
const collection = (...features: unknown[]) => JSON.stringify({ type: 'FeatureCollection', features });
const polygon = (at: number) => [[[at, 48], [at + 0.01, 48], [at + 0.01, 48.01], [at, 48]]]; // prettier-ignore
const foreign = (properties: object, type = 'Polygon', coordinates: unknown = polygon(-38)) => ({
  type: 'Feature',
  properties,
  geometry: { type, coordinates },
});
const laid = (content: string, kind?: 'slow') => {
  const found = layOver(waters, content, kind);
  if (typeof found === 'string') throw new Error(found);
  return found;
};

describe('a file laid over a sheet of water', () => {
  it('of its own leaves it as it is; what differs is changed and told, and nothing is taken away', () => {
    expect(laid(JSON.stringify(waters))).toMatchObject({ added: [], changed: [], same: waters.features.length, faults: [] });
    const [first, ...rest] = waters.features;
    const renamed = { ...first!, properties: { ...first!.properties, name: 'Another name' } };
    const found = laid(collection(renamed));
    expect(found.changed).toEqual([renamed]);
    expect(found.waters.features).toEqual([renamed, ...rest]);
  });

  it('of another maker needs to be told what its features are; several shapes in one become features of their own', () => {
    const file = collection(
      foreign({ NAME: 'Südbucht', limitKmh: 8 }),
      foreign({ name: 'Two' }, 'MultiPolygon', [polygon(-38), polygon(-37.9)]),
      foreign({ kind: 'landmark', name: 'High mast' }, 'Point', [-38, 48, 12]),
    );
    expect(laid(file).faults).toEqual([
      { feature: 'Südbucht', is: 'noKind' },
      { feature: 'Two', is: 'noKind' },
    ]);
    const { added, faults } = laid(file, 'slow');
    expect(faults).toEqual([]);
    expect(added.map(({ id, properties: { kind, limitKmh } }) => [id, kind, limitKmh])).toEqual([
      ['sudbucht', 'slow', 8],
      ['two-1', 'slow', undefined],
      ['two-2', 'slow', undefined],
      ['high-mast', 'landmark', undefined],
    ]);
    expect(added[3]!.geometry.coordinates).toEqual([-38, 48]);
  });

  it('loses none of two that share a name, tells of two that share an id, and finds each again', () => {
    const file = collection(foreign({ name: 'Bay' }), foreign({ name: 'Bay' }, 'Polygon', polygon(-37.9)));
    const { added, waters: next } = laid(file, 'slow');
    expect(added.map(({ id }) => id)).toEqual(['bay', 'bay-2']);
    expect(layOver(next, file, 'slow')).toMatchObject({ added: [], changed: [], same: 2 });
    const [first] = waters.features;
    expect(laid(collection(first, first)).faults).toEqual([{ feature: first!.properties.name, is: 'idTwice' }]);
  });

  it('that is none, or in another reference system, is refused; what is wrong with one feature is told by its name', () => {
    const no = (content: string) => layOver(waters, content, 'slow');
    expect(no('{')).toBe('notJson');
    expect(no('{"type":"Feature"}')).toBe('notGeoJson');
    expect(no(JSON.stringify({ type: 'FeatureCollection', crs: { name: 'urn:ogc:def:crs:EPSG::3857' }, features: [] }))).toBe(
      'otherReference',
    );
    expect(no(collection(...Array.from({ length: 1_001 }, () => foreign({}))))).toBe('tooMany');
    expect(no(' '.repeat(8_000_001))).toBe('tooLarge');
    const { faults, added } = laid(
      collection(
        foreign({ name: 'Metres' }, 'Polygon', [[[-4_000_000, 6_000_000]]]),
        foreign({ name: 'Nothing' }, 'Polygon', []),
        { type: 'Feature', properties: { name: 'Flat' }, geometry: null },
        foreign({ name: 'Fast', limitKmh: 'very' }),
        foreign({ name: '<script>alert(1)</script>' }),
      ),
      'slow',
    );
    expect(faults).toEqual([
      { feature: 'Metres', is: 'otherReference' },
      { feature: 'Nothing', is: 'empty' },
      { feature: 'Flat', is: 'noShape' },
      { feature: 'Fast', is: 'doesNotFit', at: 'properties.limitKmh' },
    ]);
    // A name is text, whatever it looks like.
    expect(added.map(({ id, properties: { name } }) => [id, name])).toEqual([['script-alert-1-script', '<script>alert(1)</script>']]);
  });

  it('never breaks, whatever stands in it, and what it makes fits the schema (property)', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), fc.boolean(), (value, wrapped) => {
        const content = JSON.stringify(wrapped ? { type: 'FeatureCollection', features: [value] } : value);
        const found = layOver(waters, content, 'slow');
        if (typeof found !== 'string') expect(found.waters.features.length).toBeGreaterThanOrEqual(waters.features.length);
      }),
    );
  });
});
