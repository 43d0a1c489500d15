import * as z from 'zod/mini';
import { DossierRecord, Manifest } from '@quay/core/dossier/dossier';
import { BoatBook, ClassBook } from '@quay/core/fleet/book';
import { RuleSet } from '@quay/core/party/rules';
import { Waters } from '@quay/core/waters/zone';
import { BasesFile, OperatorFile } from './read';

const SHAPES = {
  'class-book': [ClassBook, 'What a class of boats shares.'],
  'boat-book': [BoatBook, 'What one hull has different from her class: rows by id, merged over the class book.'],
  rules: [RuleSet, 'A set of rules about jackets, drivers and lookouts; waters name the one that holds on them.'],
  waters: [Waters, 'GeoJSON (RFC 7946) of one stretch of water; each feature says what it is.'],
  bases: [BasesFile, 'Where boats lie.'],
  'dossier-record': [DossierRecord, 'The record of one hire, as it lies in a dossier.'],
  'dossier-manifest': [Manifest, 'What a dossier holds, signed by the quay.'],
  operator: [OperatorFile, 'Who hires out, in which currency, under which fuel scheme.'],
} as const;

/** JSON Schemas (draft 2020-12) of the files an import reads and of a dossier's, made from the schemas that read them. */
export const publishedSchemas = (): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(SHAPES).map(([name, [shape, description]]) => [
      `${name}.schema.json`,
      { ...z.toJSONSchema(shape, { io: 'input', unrepresentable: 'any' }), title: `quay ${name}`, description },
    ]),
  );
