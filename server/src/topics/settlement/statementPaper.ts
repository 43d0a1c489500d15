import { languageOf } from '@quay/core/briefing/ofHire';
import { LANGUAGES } from '@quay/core/words/words';
import type { Store } from '../../platform/database/open';
import { copyOf, photoRow } from '../photo/photo';
import { wholeRecord } from '../record/record';
import { readHandoverPolicy, readOperator } from '../../platform/database/setting';
import { bookOf } from '../fleet/book';
import type { CorrectionBody, StatementBody } from '../record/statement';
import { readLogo } from '../policy/logo';
import { statementPdf } from './paper';

/** The paper of a statement that there is. @param now RFC 3339 @returns undefined before the installation has an operator */
export const statementPaper = async (store: Store, body: StatementBody | CorrectionBody, now: string): Promise<Buffer | undefined> => {
  const { db } = store;
  const operator = await readOperator(db);
  if (!operator) return undefined;
  const { address, phone, units } = await readHandoverPolicy(db);
  const {
    boat,
    zone,
    language: booked,
  } = (await db('hire')
    .join('base', 'base.id', 'hire.base')
    .where('hire.id', body.hire)
    .first('hire.boat as boat', 'base.zone as zone', 'hire.language as language')) as { boat: string; zone: string; language: string };
  const { record } = await wholeRecord(db, body.hire);
  return statementPdf({
    body,
    record,
    letterhead: { name: operator.name, simulated: operator.simulated, address, phone, logo: await readLogo(db) },
    zone,
    units,
    clauses: (await bookOf(db, boat, record.bookVersion))?.book.clauses,
    language: LANGUAGES.find((one) => one === languageOf(record, { language: booked })) ?? 'en',
    printedAt: new Date(now),
    pictureOf: async (sha) => ((await photoRow(store, body.hire, sha)) ? copyOf(store, sha, 'paper') : undefined),
  });
};
