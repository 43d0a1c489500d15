import { policiesFor } from '../waters/policies';
import { differenceInCalendarDays } from 'date-fns';
import { isDark } from '../trip/light';
import { TZDate } from '@date-fns/tz';
import type { Base } from '../fleet/base';
import type { Book } from '../fleet/book';
import type { Facts } from '../fleet/condition';
import { type Handover, POLICY_TOPICS, policyOf } from '../policy/policy';
import type { Policies } from '../policy/policies';
import type { Person } from '../party/people';
import type { RuleSet } from '../party/rules';
import { isChild } from '../party/suits';
import type { Waters } from '../waters/zone';

export type Circumstances = {
  boat: { id: string; book: Book };
  base: Pick<Base, 'id' | 'zone' | 'policies' | 'position'>;
  waters: Pick<Waters, 'id' | 'kind' | 'policies'> | undefined;
  policies: Policies;
  /** How this boat is handed over; as the policy has it where nobody said. */
  handover?: Handover | undefined;
  rules: RuleSet;
  /** Everybody, once they are named; before that, what was booked. */
  people: readonly Person[] | undefined;
  booked: { adults: number; children: number };
  from: string;
  to: string;
  forecast?: { windMs?: number; waterC?: number } | undefined;
};

/** Boats that are due are often so late, ms. */
const LATE_MS = 3_600_000;

/** What conditions may ask about, as far as it is known. What nobody has told is left out, and cannot be judged. */
export const factsOf = (of: Circumstances): Facts => {
  const { people, booked, base, waters } = of;
  const policies: Policies = { ...policiesFor(of), ...(of.handover ? { handover: of.handover } : {}) };
  const [from, to] = [new TZDate(of.from, base.zone), new TZDate(of.to, base.zone)];
  const ages = people?.flatMap(({ age }) => age ?? []);
  const children = people ? people.filter((person) => isChild(person, of.rules)).length : booked.children;
  return {
    'boat.kind': of.boat.book.kind,
    'boat.class': of.boat.book.classes?.[0],
    'boat.id': of.boat.id,
    'party.people': people?.length ?? booked.adults + booked.children,
    'party.adults': people ? people.length - children : booked.adults,
    'party.children': children,
    'party.youngest': ages && ages.length === people?.length ? Math.min(...ages) : undefined,
    'party.weakSwimmers': people?.filter(({ swims }) => swims !== 'well').length,
    'party.towed': people?.filter(({ towed }) => towed).length,
    'base.id': base.id,
    'waters.id': waters?.id,
    'waters.kind': waters?.kind,
    'hire.hours': (to.getTime() - from.getTime()) / 3_600_000,
    'hire.nights': differenceInCalendarDays(to, from),
    'hire.month': from.getMonth() + 1,
    // Whoever is late by an hour needs lights.
    'hire.nearDusk': base.position && isDark(new Date(to.getTime() + LATE_MS).toISOString(), base.position),
    'forecast.windMs': of.forecast?.windMs,
    'forecast.waterC': of.forecast?.waterC,
    ...Object.fromEntries(POLICY_TOPICS.map((matter) => [`policy.${matter}`, policyOf(policies, matter)])),
  };
};
