import type { AttentionMatter } from '@quay/contract/attention';
import type { TagKind } from '../../ui/board';

const GRAVE: readonly AttentionMatter['kind'][] = [
  'diskLow',
  'broken',
  'twiceOut',
  'clash',
  'otherBoat',
  'leftCancelled',
  'overdue',
  'overridden',
  'conflicts',
  'seals',
];

/** How loudly a matter is said. */
export const tagOf = (kind: AttentionMatter['kind']): TagKind => (GRAVE.includes(kind) ? 'stop' : 'ask');
