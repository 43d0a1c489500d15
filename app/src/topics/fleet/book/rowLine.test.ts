import fc from 'fast-check';
import { orderWithin } from './rowLine';

it('a group put in order leaves every other row where it is', () => {
  const ids = fc.uniqueArray(fc.stringMatching(/^[a-z]{1,4}$/), { minLength: 1, maxLength: 8 });
  fc.assert(
    fc.property(
      ids.chain((all) => fc.tuple(fc.constant(all), fc.subarray(all, { minLength: 1 }))),
      fc.integer(),
      ([all, group], turn) => {
        const rows = all.map((id) => ({ id }));
        const at = ((turn % group.length) + group.length) % group.length;
        const wanted = [...group.slice(at), ...group.slice(0, at)];
        const ordered = orderWithin(
          rows,
          group.map((id) => ({ id })),
          wanted,
        );
        expect(ordered.filter((id) => group.includes(id))).toEqual(wanted);
        ordered.forEach((id, i) => {
          if (!group.includes(id)) expect(id).toBe(all[i]);
        });
      },
    ),
  );
});
