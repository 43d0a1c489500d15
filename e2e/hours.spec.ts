import { outAndBack } from './outAndBack';
import { PHONE, test } from './quay';

/**
 * The same day at other hours: nothing may hang on when somebody comes. The demo operator is made at each moment, its
 * hires lie round it, and the boat goes out and back.
 */
const MOMENTS: Record<string, string> = {
  'just after midnight': '2026-06-12T23:10:00.000Z',
  'before anybody is up': '2026-06-13T04:30:00.000Z',
  'on a Sunday morning': '2026-06-14T09:00:00.000Z',
  'in the early afternoon': '2026-06-13T12:40:00.000Z',
  'before supper': '2026-06-13T17:00:00.000Z',
  'late in the evening': '2026-06-13T21:50:00.000Z',
  'in the hour that spring leaves out': '2026-03-29T00:20:00.000Z',
  'in the hour that autumn has twice': '2026-10-25T00:20:00.000Z',
};

for (const [when, moment] of Object.entries(MOMENTS)) {
  test.describe(when, () => {
    test.use({ moment });
    test('a boat goes out and back', PHONE, async ({ bram }) => {
      test.slow();
      await outAndBack(bram);
    });
  });
}
