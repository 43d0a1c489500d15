import { JACKET_MAX_KG, NEWTONS } from '@quay/core/fleet/jacketKinds';
import { BOAT_STATES } from '@quay/core/fleet/places';
import { SWIMS } from '@quay/core/party/people';
import type { RuleSet, WearRule } from '@quay/core/party/rules';
import type { Wording } from '@quay/core/words/words';
import type { About } from './about';
import type { FieldSpec } from './fields/fieldSpec';

/** A set of rules as what it is: who wears a jacket and when, which, and who may drive or look out. */

const age = (field: string): FieldSpec => ({ field, is: 'number', needed: true, min: 0, max: 99, whole: true });
const newtons = (field: string): FieldSpec => ({ field, is: 'figure', options: NEWTONS, needed: true });
const swims: FieldSpec = { field: 'swims', is: 'several', options: SWIMS, names: 'swims' };

/** Whom a rule is about, as it is typed. */
type WearTyped = { who: string; underAge?: number | undefined; swims?: readonly string[] | undefined; when: WearRule['when'] };
const typedOf = ({ who, when }: WearRule): WearTyped =>
  typeof who === 'string'
    ? { who, when }
    : 'underAge' in who
      ? { who: 'younger', underAge: who.underAge, when }
      : { who: 'swimmers', swims: who.swims, when };
const wearOf = ({ who, underAge, swims: among = [], when }: WearTyped): WearRule => ({
  who:
    who === 'younger'
      ? { underAge: underAge ?? 0 }
      : who === 'swimmers'
        ? { swims: SWIMS.filter((one) => among.includes(one)) }
        : who === 'towed'
          ? 'towed'
          : 'everyone',
  when,
});

export const ABOUT_RULES: readonly About<RuleSet>[] = [
  {
    id: 'said',
    fields: [
      { field: 'title', is: 'wording', needed: true },
      { field: 'about', is: 'wording', needed: true, lines: 3 },
    ],
    read: ({ name, about }) => ({ title: name, about }),
    write: (rules, { title, about }) => ({ ...rules, name: title as Wording, about: about as Wording }),
  },
  {
    id: 'wear',
    fields: [
      age('childUnder'),
      {
        field: 'wear',
        is: 'list',
        plain: true,
        empty: true,
        most: 20,
        of: [
          { field: 'who', is: 'choice', options: ['everyone', 'younger', 'swimmers', 'towed'], needed: true },
          { field: 'underAge', is: 'number', min: 0, max: 99, whole: true },
          swims,
          { field: 'when', is: 'several', options: BOAT_STATES, names: 'state', needed: true, label: 'whileBoat' },
        ],
      },
    ],
    read: ({ childUnder, wear }) => ({ childUnder, wear: wear.map(typedOf) }),
    write: (rules, { childUnder, wear }) => ({
      ...rules,
      childUnder: childUnder as number,
      wear: (wear as readonly WearTyped[]).map(wearOf),
    }),
  },
  {
    id: 'newtons',
    fields: [newtons('well'), newtons('weakly'), newtons('notAtAll'), newtons('child'), newtons('towed')],
    read: ({ newtons: { not, ...rest } }) => ({ ...rest, notAtAll: not }),
    write: (rules, { notAtAll, ...rest }) => ({ ...rules, newtons: { ...rest, not: notAtAll } as RuleSet['newtons'] }),
  },
  {
    id: 'inflating',
    fields: [
      age('selfFromAge'),
      { field: 'selfFromKg', is: 'number', needed: true, min: 0, max: JACKET_MAX_KG, unit: 'kg' },
      age('handFromAge'),
      { field: 'handSwims', is: 'several', options: SWIMS, names: 'swims' },
    ],
    read: ({ selfInflating, handInflating }) => ({
      ...{ selfFromAge: selfInflating.fromAge, selfFromKg: selfInflating.fromKg },
      ...{ handFromAge: handInflating.fromAge, handSwims: handInflating.swims },
    }),
    write: (rules, { selfFromAge, selfFromKg, handFromAge, handSwims }) => ({
      ...rules,
      selfInflating: { fromAge: selfFromAge as number, fromKg: selfFromKg as number },
      handInflating: { fromAge: handFromAge as number, swims: (handSwims ?? []) as RuleSet['handInflating']['swims'] },
    }),
  },
  {
    id: 'crew',
    fields: [age('driverFromAge'), { field: 'licence', is: 'flag' }, { field: 'lookoutNeeded', is: 'flag' }, age('lookoutFromAge')],
    read: ({ driver, lookout }) => ({
      ...{ driverFromAge: driver.fromAge, licence: driver.licence },
      ...{ lookoutNeeded: lookout.needed, lookoutFromAge: lookout.fromAge },
    }),
    write: (rules, { driverFromAge, licence, lookoutNeeded, lookoutFromAge }) => ({
      ...rules,
      driver: { fromAge: driverFromAge as number, licence: licence === true },
      lookout: { needed: lookoutNeeded === true, fromAge: lookoutFromAge as number },
    }),
  },
  {
    id: 'source',
    fields: [
      { field: 'comesFrom', is: 'text' },
      { field: 'checkedBy', is: 'text' },
      { field: 'checkedOn', is: 'day' },
    ],
    read: ({ source }) => ({ comesFrom: source?.from, checkedBy: source?.checkedBy, checkedOn: source?.checkedOn }),
    write: ({ source: _, ...rules }, { comesFrom, checkedBy, checkedOn }) =>
      comesFrom === undefined
        ? rules
        : {
            ...rules,
            source: {
              from: comesFrom as string,
              ...(checkedBy === undefined ? {} : { checkedBy: checkedBy as string }),
              ...(checkedOn === undefined ? {} : { checkedOn: checkedOn as string }),
            },
          },
  },
];
