import type { OperatorChange } from '@quay/contract/operator';
import { type HandoverPolicy, OUTSIDE_HOURS } from '@quay/core/fleet/handoverPolicy';
import { writeMinor } from '@quay/core/money/minor';
import { Units } from '@quay/core/number/units';
import { LEVELS, OVERRIDABLE, type Level, type Overridable } from '@quay/core/policy/castOff';
import { POLICIES, type PolicyTopic } from '@quay/core/policy/policy';
import { Policies } from '@quay/core/policy/policies';
import { StatementPrefix } from '@quay/core/number/statementNumber';
import { LANGUAGES } from '@quay/core/words/words';
import * as z from 'zod/mini';
import * as typed from '../../../ui/controls/typed';
import { sumIn } from '../../settlement/SumField';

/** How an operator works, as it is typed. */

const BY = ['driver', 'lookout'] as const;
const anySum = (currency: string) => sumIn(currency, (minor) => minor >= 0 && minor <= 100_000_000, 'settle.badSum');

export const operatorForm = (currency: string) =>
  z.object({
    name: typed.words(80, 'form.needed'),
    address: z.string().check(z.maxLength(200)),
    phone: z.string().check(z.maxLength(40)),
    languages: z.array(z.enum(LANGUAGES)).check(z.minLength(1, 'form.needed')),
    units: Units,
    statementPrefix: StatementPrefix,
    turnaroundMinutes: typed.number({ from: 0, to: 1440, whole: true }, 'operator.badMinutes'),
    briefingMinutes: typed.number({ from: 1, to: 180, whole: true }, 'operator.badBriefing'),
    outsideHours: z.enum(OUTSIDE_HOURS),
    underWayHoursADay: typed.number({ from: 0.5, to: 24 }, 'operator.badHours'),
    understandingBy: z.array(z.enum(BY)).check(z.minLength(1, 'form.needed')),
    demonstrationCounts: z.boolean(),
    handFree: anySum(currency),
    askFrom: anySum(currency),
    policies: Policies,
    castOff: z.partialRecord(z.enum(OVERRIDABLE), z.enum(LEVELS)),
  });
type Schema = ReturnType<typeof operatorForm>;
export type OperatorTyped = z.input<Schema>;

export const operatorTyped = (name: string, currency: string, settings: HandoverPolicy): OperatorTyped => ({
  name,
  address: settings.address ?? '',
  phone: settings.phone ?? '',
  languages: settings.languages,
  units: settings.units,
  statementPrefix: settings.statementPrefix,
  turnaroundMinutes: String(settings.turnaroundMinutes),
  briefingMinutes: String(settings.briefingMinutes),
  outsideHours: settings.outsideHours,
  underWayHoursADay: String(settings.underWayHoursADay),
  understandingBy: settings.understandingBy,
  demonstrationCounts: settings.demonstrationCounts,
  handFree: writeMinor(settings.freeLine.handMinor, currency),
  askFrom: writeMinor(settings.freeLine.askMinor, currency),
  policies: settings.policies,
  castOff: settings.castOff,
});

/** What was typed, as it is sent. */
export const operatorChanged = (read: z.output<Schema>): OperatorChange => {
  const { handFree, askFrom, address, phone, ...rest } = read;
  return {
    ...rest,
    ...(address.trim() === '' ? {} : { address: address.trim() }),
    ...(phone.trim() === '' ? {} : { phone: phone.trim() }),
    // Nothing is asked about from nothing on.
    freeLine: { handMinor: handFree, askMinor: Math.max(1, askFrom) },
  };
};

/** A choice of a matter taken, or taken back where it is pressed once more. */
export const policyTaken = (policies: Policies, topic: PolicyTopic, option: string): Policies => {
  const { [topic]: before, ...others } = policies;
  return before === option ? others : Policies.parse({ ...others, [topic]: option });
};

/** The option that holds in a matter: the one that was chosen, or the first. */
export const optionOf = (policies: Policies, topic: PolicyTopic): string => policies[topic] ?? POLICIES[topic][0];

/** How something the check finds is taken; taken as usual where it is pressed once more. */
export const levelTaken = (
  levels: Readonly<Partial<Record<Overridable, Level | undefined>>>,
  matter: Overridable,
  level: Level,
): Partial<Record<Overridable, Level>> =>
  Object.fromEntries(
    OVERRIDABLE.flatMap((one) => {
      const taken = one === matter ? (levels[one] === level ? undefined : level) : levels[one];
      return taken === undefined ? [] : [[one, taken]];
    }),
  );
