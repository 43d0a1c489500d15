import { type CanalAsked, type CanalPlan, canalPlan } from '@quay/core/trip/canal/canalPlan';
import { canalAsked } from '@quay/core/trip/canal/ofHire';
import { useMemo, useState } from 'react';
import * as z from 'zod/mini';
import type { HireView } from '../../../local/hire';
import { rememberChoice, rememberedChoice } from '../../../platform/browser';

/** What somebody chose of the days: hours under way, where to turn, and by day where to lie. */
const Chosen = z.object({
  hours: z.int().check(z.gte(1), z.lte(12)),
  turn: z.optional(z.string()),
  nights: z.record(z.string(), z.string()),
});
export type Chosen = z.infer<typeof Chosen>;

export type CanalNow = {
  asked: Omit<CanalAsked, 'hoursADay'>;
  plan: CanalPlan;
  chosen: Chosen;
  choose: (next: Partial<Chosen>) => void;
};

/** Hours a day on a canal that most find enough. */
const USUAL_HOURS = 5;

const readChosen = (key: string): Chosen => {
  const text = rememberedChoice(key);
  const read = text === undefined ? undefined : Chosen.safeParse(JSON.parse(text));
  return read?.success ? read.data : { hours: USUAL_HOURS, nights: {} };
};

/** The days of a hire on a canal, planned anew with every choice; nothing where its water is no line. What was chosen stays on this phone. */
export const useCanalPlan = ({ pack }: HireView): CanalNow | undefined => {
  const { waters, base, book, hire } = pack;
  const key = `canal/${hire.id}`;
  const [chosen, setChosen] = useState(() => readChosen(key));
  const asked = useMemo(() => (waters ? canalAsked({ waters, base, book, hire }) : undefined), [waters, base, book, hire]);
  const plan = useMemo(
    () => asked && canalPlan({ ...asked, hoursADay: chosen.hours, turnAt: chosen.turn, nights: chosen.nights }),
    [asked, chosen],
  );
  if (!asked || !plan) return undefined;
  const choose = (next: Partial<Chosen>) => {
    const all = { ...chosen, ...next };
    rememberChoice(key, JSON.stringify(all));
    setChosen(all);
  };
  return { asked, plan, chosen, choose };
};
