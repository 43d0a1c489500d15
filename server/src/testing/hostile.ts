import { v7 as uuidv7 } from 'uuid';
import type { HireEvent } from '@quay/core/record/event';
import { EventBody } from '@quay/core/record/event';
import { EVENT_KINDS } from '@quay/core/record/event';
import { chance } from '@quay/core/number/chance';

/**
 * Events as somebody sends them who means harm, or whose phone has gone mad: every kind with every field, what just fits
 * and what just does not, chains and rings of what names what. The same ones for the same seed.
 */

/** What a schema says of itself; all that is used of Zod's inside. */
type Def = {
  type: string;
  shape?: Record<string, Schema>;
  element?: Schema;
  innerType?: Schema;
  options?: Schema[];
  entries?: Record<string, string | number>;
  values?: unknown[];
  keyType?: Schema;
  valueType?: Schema;
};
type Schema = { _zod: { def: Def }; safeParse(value: unknown): { success: boolean } };

const SHA = 'a'.repeat(64);
const STRINGS = [
  'a',
  '',
  'out',
  'petrol',
  'diesel',
  'bow',
  'helm',
  'port-side',
  'starboard-side',
  'paddle',
  'hours',
  'fuel-sight',
  'main',
  'prop',
  '__proto__',
  'constructor',
  'toString',
  '\ud800',
  '\u202e\u0000',
  'mark/x/../..',
  '=HYPERLINK("x")',
  '2026-02-28',
  '2026-06-13T10:42:00.000Z',
  '2000-01-01T00:00:00.000Z',
  '2099-12-31T23:59:59.999Z',
  SHA,
  '0'.repeat(64),
  '00000000-0000-7000-8000-000000000000',
  'x'.repeat(64),
  'x'.repeat(160),
  'x'.repeat(500),
  'x'.repeat(1000),
  '𝄞'.repeat(250),
];
const NUMBERS = [
  0,
  1,
  2,
  3,
  0.5,
  -1,
  1e-9,
  12,
  60,
  100,
  180,
  500,
  600,
  999,
  1000,
  12_000,
  20_000,
  86_400,
  1e6,
  -1e6,
  1e7,
  1e8,
  Number.MAX_SAFE_INTEGER,
];
/** What no field takes, or only one that should not. */
const WRONG: readonly unknown[] = [
  null,
  {},
  [],
  [[[[]]]],
  'x'.repeat(5000),
  -0,
  1e300,
  -1e300,
  '2026-13-01T00:00:00.000Z',
  '2026-02-31T10:00:00.000Z',
  { toString: 'no' },
  { length: 1e9 },
  true,
  Array.from({ length: 600 }, (_, i) => i),
];

export type Hostile = { event: unknown; /** The same as JSON text, where no value can say it. */ text?: string };

export const hostileEvents = function* (
  count: number,
  seed: number,
  { hire, device, deep = 3000 }: { hire: string; device: string; deep?: number },
): Generator<Hostile> {
  const { next } = chance(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)]!;
  /** Something that a schema takes, its edges more often than its middle. */
  const fits = (schema: Schema): unknown => {
    const { def } = schema._zod;
    switch (def.type) {
      case 'object':
        return Object.fromEntries(
          Object.entries(def.shape ?? {}).flatMap(([key, one]) => {
            const value = fits(one);
            return value === undefined ? [] : [[key, value]];
          }),
        );
      case 'optional':
        return next() < 0.5 ? undefined : fits(def.innerType!);
      case 'nullable':
        return next() < 0.3 ? null : fits(def.innerType!);
      case 'array': {
        const made = Array.from({ length: pick([0, 1, 1, 2, 12]) }, () => fits(def.element!));
        return schema.safeParse(made).success ? made : [fits(def.element!)];
      }
      case 'union':
        return fits(pick(def.options ?? []));
      case 'enum':
        return pick(Object.values(def.entries ?? {}));
      case 'literal':
        return pick(def.values ?? []);
      case 'null':
        return null;
      case 'boolean':
        return next() < 0.5;
      case 'record':
        return { [pick(STRINGS)]: fits(def.valueType!) };
      default: {
        const candidates: readonly unknown[] = def.type === 'string' ? STRINGS : def.type === 'number' || def.type === 'int' ? NUMBERS : [];
        const good = candidates.filter((one) => schema.safeParse(one).success);
        if (good.length === 0) throw new Error(`nothing is known that fits ${def.type}`);
        return pick(good);
      }
    }
  };
  const bodies = new Map(
    (EventBody as unknown as Schema)._zod.def.options!.map((one) => [one._zod.def.shape!.kind!._zod.def.values![0] as string, one]),
  );
  const ids: string[] = [];
  const older = () => (ids.length > 0 && next() < 0.9 ? pick(ids) : uuidv7());
  /** Spoils one thing somewhere inside. */
  const spoil = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null || next() < 0.25) return pick(WRONG);
    const keys = Object.keys(value);
    if (keys.length === 0 || next() < 0.1) return { ...value, [pick(STRINGS)]: pick(WRONG) };
    const key = pick(keys);
    if (Array.isArray(value)) return value.map((one: unknown, i) => (String(i) === key ? spoil(one) : one));
    const copy: Record<string, unknown> = { ...value };
    if (next() < 0.1) delete copy[key];
    else copy[key] = spoil(copy[key]);
    return copy;
  };
  let seq = 0;
  for (let i = 0; i < count; i += 1) {
    const kind = EVENT_KINDS[i % EVENT_KINDS.length]!;
    const schema = bodies.get(kind);
    if (!schema) throw new Error(`there is no shape of ${kind}`);
    const id = uuidv7();
    const body = fits(schema) as { covers?: unknown };
    if (Array.isArray(body.covers)) body.covers = Array.from({ length: pick([1, 5, 200]) }, older);
    const names = pick([0, 0, 0, 1, 1, 2, 50, 200]);
    const event: HireEvent = {
      id,
      v: 1,
      stream: hire,
      device,
      deviceSeq: (seq += 1),
      at: pick(['2026-06-13T10:40:00.000Z', '2026-06-13T09:00:00.000Z', '2000-01-01T00:00:00.000Z', '2099-12-31T23:59:59.999Z']),
      bookVersion: pick([1, 1, 1, 77]),
      // The one before, so that chains grow long; any older one, so that rings and fans do.
      replaces: Array.from({ length: names }, (_, n) => (n === 0 && ids.length > 0 ? ids[ids.length - 1]! : older())),
      body: body as HireEvent['body'],
    };
    ids.push(id);
    const chosen = next();
    if (chosen < 0.03) yield { event, text: `{"id":"${id}","extra":${'['.repeat(deep)}${']'.repeat(deep)}}` };
    else if (chosen < 0.05) yield { event, text: JSON.stringify(event).replace('"deviceSeq":', '"deviceSeq":1e999,"x":') };
    else if (chosen < 0.35) yield { event: spoil(event) };
    else yield { event };
  }
};
