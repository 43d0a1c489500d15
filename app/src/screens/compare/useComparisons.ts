import { type Comparison, listComparisons } from '@quay/contract/compare';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../data/api';

const isOpen = ({ state }: Comparison) => state === 'queued' || state === 'running';

/** What the machine makes of a hire's photographs; asked for again while it is at it. Nothing without signal. */
export const useComparisons = (hireId: string, wanted = true): Comparison[] => {
  const { data } = useQuery({
    queryKey: ['comparisons', hireId],
    queryFn: () => call(listComparisons, { params: { hireId } }),
    enabled: wanted,
    refetchInterval: ({ state }) => (state.data?.comparisons.some(isOpen) === true ? 2000 : 10_000),
  });
  return data?.comparisons ?? [];
};
