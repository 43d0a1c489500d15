import { getAttention } from '@quay/contract/attention';
import { listDisputes } from '@quay/contract/settlement';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../data/api';

/** How much waits for a manager; nothing for anybody else, and nothing while it cannot be asked. */
export const useAttentionCount = (manager: boolean): number => {
  const usual = { enabled: manager, refetchInterval: 60_000, staleTime: 30_000 };
  const matters = useQuery({ queryKey: ['attention'], queryFn: () => call(getAttention), ...usual }).data;
  const disputes = useQuery({ queryKey: ['disputes'], queryFn: () => call(listDisputes), ...usual }).data;
  return (matters?.matters.length ?? 0) + (disputes?.disputes.length ?? 0);
};
