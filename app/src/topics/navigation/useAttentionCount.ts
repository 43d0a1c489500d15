import { useQuery } from '@tanstack/react-query';
import { attentionQuery, disputesQuery } from '../../local/attention';

/** How much waits for a manager; nothing for anybody else, and nothing while it cannot be asked. */
export const useAttentionCount = (manager: boolean): number => {
  const usual = { enabled: manager, refetchInterval: 60_000, staleTime: 30_000 };
  const matters = useQuery({ ...attentionQuery, ...usual }).data;
  const disputes = useQuery({ ...disputesQuery, ...usual }).data;
  return (matters?.matters.length ?? 0) + (disputes?.disputes.length ?? 0);
};
