import { tryCondition } from '@quay/contract/fleet';
import { on } from '../../platform/http/mount';
import { tried } from './tried';

export const briefingRoutes = [on(tryCondition, ({ quay, body, now }) => tried(quay.store.db, body.condition, body.named, now))];
