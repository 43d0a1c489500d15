import * as api from '@quay/contract/files';
import type { Endpoint } from '@quay/contract/endpoint';
import { type Call, on, sent } from '../platform/http/mount';
import { fail, ProblemError } from '../platform/http/problem';
import type { Store } from '../platform/database/open';
import { logoFrom } from '../topics/policy/logo';
import { sayFault } from '../platform/fault';
import { TookTooLong } from '../platform/apart';
import { readFiles, withExport } from './files';
import { ImportRefused, loadImport } from './load';
import { ZipFault, zipOf } from './zip';

type Read = Awaited<ReturnType<typeof readFiles>>;

/** With the logo as paper takes it; one that is no picture is a fault like any other. */
const withLogo = async (store: Store, { preview, data }: Read): Promise<Read & { logo?: Buffer }> => {
  if (!data?.logo) return { preview, data };
  try {
    return { preview, data, logo: await logoFrom(store, data.logo) };
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    const { faults, counts } = preview;
    const fault = { file: 'logo', where: '(whole)', reason: `is no picture that can be used: ${error.code}` };
    return { preview: { ...preview, faults: [...faults, fault], counts: { ...counts, faults: counts.faults + 1 } }, data: undefined };
  }
};

const readSent = async ({ quay, req, now }: Pick<Call<Endpoint>, 'quay' | 'req' | 'now'>) => {
  const bytes: Buffer = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
  if (bytes.length > api.FILES_LIMIT_BYTES) return fail(413, 'tooLarge');
  try {
    const read = await readFiles(quay.store.db, bytes, now, quay.threads);
    return await withLogo(quay.store, read);
  } catch (error) {
    if (error instanceof ZipFault) return fail(422, 'filesNotReadable', { why: error.why });
    if (error instanceof TookTooLong) return fail(422, 'filesNotReadable', { why: 'tookTooLong' });
    throw error;
  }
};

export const filesRoutes = [
  on(api.takeFiles, async ({ quay, res, now, query }) => {
    const zip = await withExport(quay.store.db, { now, secrets: query.secrets === 'yes' }, zipOf);
    res.set({ 'Content-Type': 'application/zip', 'Content-Disposition': 'attachment; filename="quay.zip"' }).send(Buffer.from(zip));
    return sent;
  }),
  on(api.previewFiles, async (call) => (await readSent(call)).preview),
  on(api.loadFiles, async (call) => {
    const { preview, data, logo } = await readSent(call);
    if (preview.digest !== call.query.digest) return fail(412, 'changedMeanwhile');
    if (!data) return fail(422, 'faults', { faults: preview.faults.map(sayFault).join('\n') });
    try {
      await loadImport(call.quay.store.db, data, call.now, logo);
    } catch (error) {
      if (error instanceof ImportRefused) return fail(409, 'faults', { faults: error.faults.map(sayFault).join('\n') });
      throw error;
    }
    return { bases: data.bases.length, boats: data.boats.length, hires: data.hires.length };
  }),
];
