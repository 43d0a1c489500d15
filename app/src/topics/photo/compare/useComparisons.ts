import { currentOf, type HireRecord } from '@quay/core/events/record';
import { surfaceSeen } from '@quay/core/condition/events';
import { type Comparison, type ComparisonBox, listComparisons } from '@quay/contract/compare';
import { boxesLeft } from '@quay/core/condition/boxes';
import { USUALLY_SHOWN_FROM } from '@quay/core/condition/shownFrom';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../../local/api';
import type { HireView } from '../../../local/hire';

/** Boxes of a pair that nobody has judged: those that are likely enough on this surface, and fainter ones; the likeliest first. */
export const boxesByRank = (
  record: HireRecord,
  { surface, back, boxes, learnt }: Pair,
): { shown: ComparisonBox[]; fainter: ComparisonBox[] } => {
  const left = boxesLeft(record, surface, back, boxes).sort((p, q) => q.strength - p.strength);
  const isShown = ({ strength }: ComparisonBox) => strength >= learnt.shownFrom;
  return { shown: left.filter(isShown), fainter: left.filter((box) => !isShown(box)) };
};

export const isUnderWay = ({ state }: Comparison) => state === 'queued' || state === 'running';

/** What the machine makes of a hire's photographs; asked for again while it is at it. Nothing without signal. */
export const useComparisons = (hireId: string, wanted = true): Comparison[] => {
  const { data } = useQuery({
    queryKey: ['comparisons', hireId],
    queryFn: () => call(listComparisons, { params: { hireId } }),
    enabled: wanted,
    refetchInterval: ({ state }) => (state.data?.comparisons.some(isUnderWay) === true ? 2000 : 10_000),
  });
  return data?.comparisons ?? [];
};

/** Both photographs of a surface: compared by the machine as far as it has come, or as they are on this phone. */
export type Pair = Omit<Comparison, 'state'> & { state: Comparison['state'] | 'here' };

const lastOf = (record: HireRecord, walk: 'out' | 'in', surface: string) =>
  currentOf(record, [walk, 'surface', surface], surfaceSeen)?.value.photos.at(-1);

const NOTHING_LEARNT = { shownFrom: USUALLY_SHOWN_FROM, flaws: 0, nothing: 0, forgotten: 0 };

/** The last photographs of a surface, out and in: those that are looked at, whatever was taken before them. */
export const pairOf = (record: HireRecord, compared: readonly Comparison[], surface: string): Pair | undefined => {
  const [out, back] = [lastOf(record, 'out', surface), lastOf(record, 'in', surface)];
  if (out === undefined || back === undefined) return undefined;
  const found = compared.find((one) => one.surface === surface && one.back === back);
  return found ?? { surface, out, back, state: 'here', reason: null, boxes: [], learnt: NOTHING_LEARNT };
};

/** @param wanted whether the quay is asked for what the machine makes of it */
export const usePair = (view: HireView, surface: string | undefined, wanted = true): Pair | undefined => {
  const compared = useComparisons(view.pack.hire.id, wanted);
  return surface === undefined ? undefined : pairOf(view.record, compared, surface);
};
