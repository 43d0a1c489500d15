import type { Learnt } from '@quay/contract/compare';
import { boxName } from '@quay/core/condition/boxes';
import { judgedOf, shownFrom } from '@quay/core/condition/shownFrom';
import type { HireRecord } from '@quay/core/events/record';
import type { ComparisonBox } from '@quay/contract/compare';
import type { Knex } from 'knex';

/** Writes down what people made of the boxes of a hire's photographs, in place of what was written before. */
export const keepJudged = async (db: Knex, hire: string, boat: string, record: HireRecord): Promise<void> => {
  const compared = await db('comparison').where({ hire, state: 'done' }).select('surface', 'back', 'boxes');
  const judged = compared.flatMap(({ surface, back, boxes }) =>
    judgedOf(record, surface, back, JSON.parse(boxes ?? '[]') as ComparisonBox[]).map(({ box, strength, flaw }) => ({
      ...{ hire, back, boat, surface, strength },
      box: boxName(box),
      flaw: flaw ? (1 as const) : (0 as const),
    })),
  );
  await db.transaction(async (t) => {
    const nameOf = ({ back, box }: { back: string; box: string }) => `${back}/${box}`;
    const forgotten = new Set((await t('judgedBox').where({ hire, forgotten: 1 }).select('back', 'box')).map(nameOf));
    await t('judgedBox').where({ hire }).delete();
    if (judged.length > 0) await t('judgedBox').insert(judged.map((one) => ({ ...one, forgotten: forgotten.has(nameOf(one)) ? 1 : 0 })));
  });
};

/** So many of a surface's judged boxes are learnt from, the last ones. */
const MOST_LEARNT_FROM = 500;

/**
 * What was learnt of a boat's surface from what people made of boxes there.
 * @param besides a hire that does not count: while its own boxes are being judged, none of them may go by itself
 */
export const learntOf = async (db: Knex, boat: string, surface: string, besides = ''): Promise<Learnt> => {
  const rows = await db('judgedBox')
    .where({ boat, surface })
    .whereNot({ hire: besides })
    .orderByRaw('rowid desc')
    .limit(MOST_LEARNT_FROM)
    .select('strength', 'flaw', 'forgotten');
  const counted = rows.filter(({ forgotten }) => !forgotten).map(({ strength, flaw }) => ({ strength, flaw: flaw === 1 }));
  return {
    shownFrom: shownFrom(counted),
    flaws: counted.filter(({ flaw }) => flaw).length,
    nothing: counted.filter(({ flaw }) => !flaw).length,
    forgotten: rows.length - counted.length,
  };
};

/** Lets all that was judged on a surface so far not count any more, or count again. */
export const changeLearnt = async (db: Knex, boat: string, surface: string, what: 'forget' | 'recall'): Promise<void> => {
  await db('judgedBox')
    .where({ boat, surface })
    .update({ forgotten: what === 'forget' ? 1 : 0 });
};
