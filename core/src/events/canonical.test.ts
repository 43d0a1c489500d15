import fc from 'fast-check';
import serialize from 'canonicalize';
import { canonical, commit } from './canonical';

describe('canonical JSON', () => {
  it('is what an independent implementation of RFC 8785 writes', () => {
    fc.assert(
      fc.property(fc.jsonValue({ stringUnit: 'binary' }), (value) => {
        expect(canonical(value)).toBe(serialize(value));
      }),
      { numRuns: 2000 },
    );
  });

  it('is that of the example of RFC 8785, section 3.2.2, as far as JSON text can carry it', () => {
    expect(
      canonical({ numbers: [333333333.33333329, 1e30, 4.5, 2e-3, 1e-27], string: '€$\u000f\nA\'B"\\\\"/', literals: [null, true, false] }),
    ).toBe('{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}');
  });

  it('leaves out what is undefined and refuses what JSON cannot hold', () => {
    expect(canonical({ b: undefined, a: [undefined, -0] })).toBe('{"a":[null,0]}');
    for (const bad of [undefined, NaN, Infinity, () => 1, 1n, { a: NaN }]) expect(() => canonical(bad)).toThrow(TypeError);
  });

  it('commits to a name without saying it', () => {
    expect(commit('salt', 'Ines Okonjo')).toBe(commit('salt', 'Ines Okonjo'));
    expect(commit('other', 'Ines Okonjo')).not.toBe(commit('salt', 'Ines Okonjo'));
  });
});
