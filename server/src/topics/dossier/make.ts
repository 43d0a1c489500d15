import { packOf } from '../walk/pack';
import { languageOf } from '@quay/core/briefing/ofHire';
import { isEntered } from '@quay/core/events/record';
import { createHash, sign } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import * as z from 'zod/mini';
import { DossierRecord, type Edition, listed, Manifest, manifestMessage, MANIFEST, RECORD } from '@quay/core/dossier/dossier';
import { pack } from '@quay/core/dossier/pack';
import { LANGUAGES } from '@quay/core/words/words';
import { measuresIn } from '@quay/core/number/units';
import { showMinor } from '@quay/core/money/minor';
import { attachmentsOf } from '@quay/core/record/event';
import { filled, STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import type { Store } from '../../platform/database/open';
import { dayAndHour } from '../../platform/paper/document';
import { copyOf, fileOf, photoRow } from '../photo/photo';
import { eventsAfter, wholeRecord } from '../record/record';
import { deviceKeyOf } from '../../platform/signIn/staff';
import { type QuayKey, readHandoverPolicy } from '../../platform/database/setting';
import { readLogo } from '../policy/logo';
import { dossierHtml } from './html';
import { recordPdf } from './paper';
import { sectionsOf } from './sections';
import { DOSSIER_WORDS } from './words';

export type Made = { ok: true; bytes: Uint8Array } | { ok: false; reason: 'noSuchHire' | 'notSealed' | 'picturesMissing'; missing: number };

const ENDING: Readonly<Record<string, string>> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };

/** Where the operator's logo lies in a dossier. */
const LOGO = 'logo.jpg';

const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const jsonFile = (value: unknown): Uint8Array => utf8(`${JSON.stringify(value, null, 1)}\n`);

/**
 * The dossier of a hire: record, readable pages, photographs, and a manifest that the quay signs. The renter's copy carries
 * pictures without position; the manifest names both hashes in either.
 */
export const makeDossier = async (store: Store, id: string, key: QuayKey, edition: Edition, now: string): Promise<Made> => {
  const { db } = store;
  const of = await packOf(db, id, key, now);
  if (!of) return { ok: false, reason: 'noSuchHire', missing: 0 };
  const { record, stored: held, aside } = await wholeRecord(db, id);
  if (!isEntered(record, ['out', 'sealed'])) return { ok: false, reason: 'notSealed', missing: 0 };

  const drawings = new Set(held.flatMap(({ event: { body } }) => (body.kind === 'signed' ? [body.drawing] : [])));
  const names = [...new Set(held.flatMap(({ event }) => attachmentsOf(event.body)))].sort();
  const files = new Map<string, Uint8Array>();
  const photos: Manifest['photos'] = [];
  const where = new Map<string, string>();
  let missing = 0;
  for (const sha of names) {
    const row = await photoRow(store, id, sha);
    if (!row) {
      missing += 1;
      continue;
    }
    const drawn = drawings.has(sha);
    // What somebody drew on the glass has no camera's notes.
    const plain = drawn ? undefined : await copyOf(store, sha, 'plain');
    const bytes = edition === 'renter' && plain ? plain : new Uint8Array(await readFile(fileOf(store, sha)));
    const ending = edition === 'renter' && plain ? 'jpg' : (ENDING[row.media] ?? 'bin');
    const file = `${drawn ? 'signatures' : 'photos'}/${sha}.${ending}`;
    files.set(file, new Uint8Array(bytes));
    where.set(sha, file);
    photos.push({ original: sha, plain: plain ? sha256(plain) : null, file });
  }
  if (missing > 0) return { ok: false, reason: 'picturesMissing', missing };

  const events: DossierRecord['events'] = [];
  for (let after = 0; ;) {
    const page = await eventsAfter(db, id, after);
    for (const row of page.rows) {
      const out = aside.find((one) => one.id === (row.event as { id?: unknown }).id);
      events.push(out ? { ...row, aside: { at: out.at, by: out.by, why: out.why } } : row);
    }
    if (!page.more) break;
    after = page.cursor;
  }
  const seals = await db('seal').where({ hire: id }).whereNotNull('signature');
  const deviceKeys: Record<string, string> = {};
  for (const { event } of held) {
    if (event.body.kind !== 'sealed') continue;
    const spki = await deviceKeyOf(db, event.body.key);
    if (spki !== undefined) deviceKeys[event.body.key] = spki;
  }
  const { hire, boat, book, bookVersion, base, prices, operator } = of;
  const content: DossierRecord = {
    format: 'quay-record/1',
    operator: operator.name,
    boat,
    hire: { id: hire.id, renter: hire.renter, language: hire.language, from: hire.from, to: hire.to },
    bookVersion,
    book,
    events,
    countersigned: seals.flatMap(({ event, walk, root, receivedAt, signature, key: by }) =>
      signature === null || by === null ? [] : [{ event, walk, root, receivedAt, signature, key: by }],
    ),
    deviceKeys,
  };
  files.set(RECORD, jsonFile(content));
  files.set('record.schema.json', jsonFile(z.toJSONSchema(DossierRecord)));
  files.set('manifest.schema.json', jsonFile(z.toJSONSchema(Manifest)));

  const language = LANGUAGES.find((one) => one === languageOf(record, hire)) ?? 'en';
  const words = DOSSIER_WORDS[language];
  const when = (at: string) => dayAndHour(at, base.zone, STATEMENT_WORDS[language].locale);
  const sections = sectionsOf(record, held, {
    book,
    boat: boat.name,
    renter: hire.renter,
    language,
    words,
    when,
    money: (minor) => showMinor(minor, prices.currency, STATEMENT_WORDS[language].locale),
    measures: measuresIn((await readHandoverPolicy(db)).units),
    received: new Map(seals.map(({ root, receivedAt }) => [root, receivedAt])),
  });
  const title = `${words.title}: ${boat.name}`;
  const lines = [
    `${operator.name} · ${boat.hullNumber} · ${hire.renter} · ${filled(words.from, { from: when(hire.from), to: when(hire.to) })}`,
    words.caution,
    filled(words.key, { key: key.fingerprint }),
    ...(edition === 'renter' ? [words.plain] : []),
    ...(aside.length > 0 ? [filled(words.aside, { n: String(aside.length) })] : []),
  ];
  const logo = await readLogo(db);
  if (logo) files.set(LOGO, new Uint8Array(logo));
  files.set('record.html', utf8(dossierHtml({ language, title, lines, logo: logo && LOGO }, sections, (sha) => where.get(sha))));
  const head = { title, author: operator.name, language: STATEMENT_WORDS[language].locale, madeAt: new Date(now), lines, logo };
  const pdf = await recordPdf(head, sections, async (sha) => (where.has(sha) ? copyOf(store, sha, 'paper') : undefined));
  files.set('record.pdf', pdf);

  const unsigned: Manifest = {
    format: 'quay-dossier/1',
    edition,
    hire: id,
    madeAt: now,
    files: listed(files),
    photos,
    key: { fingerprint: key.fingerprint, pem: key.publicPem },
    signature: '',
  };
  const signature = sign(null, Buffer.from(manifestMessage(unsigned)), key.sign).toString('base64');
  files.set(MANIFEST, jsonFile({ ...unsigned, signature }));
  return { ok: true, bytes: pack(files) };
};
