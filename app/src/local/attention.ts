import { getAttention } from '@quay/contract/attention';
import { listDisputes } from '@quay/contract/settlement';
import { queryOptions } from '@tanstack/react-query';
import { call } from './api';

/** What wants a manager's eye. */
export const attentionQuery = queryOptions({ queryKey: ['attention'], queryFn: () => call(getAttention) });

/** Closed hires with lines that nobody has settled yet. */
export const disputesQuery = queryOptions({ queryKey: ['disputes'], queryFn: () => call(listDisputes) });
