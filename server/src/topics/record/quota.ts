import type { Knex } from 'knex';
import { LRUCache } from 'lru-cache';
import type { HireEvent } from '@quay/core/record/event';
import { attachmentsOf } from '@quay/core/record/event';
import type { Refusal } from '@quay/contract/record';
import type { Delivery, Fit } from './delivered';

/**
 * So much one phone may enter in one hire, and so much a renter with all phones that ever opened their link. A week on the
 * canals comes to some 600 entries; what weighs is what a record is computed from, again and again.
 */
export const PHONE_WEIGHT = 6000;
export const RENTER_WEIGHT = 6000;
/** So many names of other events or photographs weigh as much as an event. */
const NAMES_A_WEIGHT = 10;

/** What an event adds to the work of whoever projects its hire. */
export const weightOf = ({ replaces, body }: HireEvent): number => {
  const covers = 'covers' in body ? body.covers.length : 0;
  const pictures = 'photos' in body && body.photos ? body.photos.length : attachmentsOf(body).length;
  return 1 + Math.floor((replaces.length + covers + pictures) / NAMES_A_WEIGHT);
};

type Spent = { phone: number; renter: number };
/** Read once from the table, then counted on. */
const caches = new WeakMap<object, LRUCache<string, Spent>>();
const keyOf = ({ hire, device }: Pick<Delivery, 'hire' | 'device'>) => `${hire}\n${device}`;
const cacheOf = (db: Knex): LRUCache<string, Spent> => {
  const known = caches.get(db.client as object) ?? new LRUCache<string, Spent>({ max: 2000 });
  caches.set(db.client as object, known);
  return known;
};

const spentBy = async (db: Knex, { hire, device, actor }: Delivery): Promise<Spent> => {
  const weigh = async (where: Record<string, string>) => Number((await db('event').where(where).sum({ sum: 'weight' }).first())?.sum ?? 0);
  return { phone: await weigh({ hire, device }), renter: actor.role === 'renter' ? await weigh({ hire, role: 'renter' }) : 0 };
};

/** What of a delivery there is still room for; the rest is refused by name and stays on its phone. */
export const withinQuota = async (db: Knex, delivery: Delivery, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  if (fit.length === 0) return fit;
  const cache = cacheOf(db);
  let spent = cache.get(keyOf(delivery));
  // A renter's other phones count too: what they have spent is asked anew each time.
  if (!spent || delivery.actor.role === 'renter') {
    spent = await spentBy(db, delivery);
    cache.set(keyOf(delivery), spent);
  }
  let { phone, renter } = spent;
  return fit.filter(({ event, weight }) => {
    const room = phone + weight <= PHONE_WEIGHT && (delivery.actor.role !== 'renter' || renter + weight <= RENTER_WEIGHT);
    if (room) {
      phone += weight;
      renter += weight;
    } else refused.push({ id: event.id, reason: 'overQuota', detail: `this hire takes no more than ${PHONE_WEIGHT} entries of one phone` });
    return room;
  });
};

/** Counts what was taken. Where some of a delivery was there already the table is asked the next time. */
export const noteWeight = (db: Knex, delivery: Delivery, changes: number, taken: readonly Fit[]): void => {
  const cache = cacheOf(db);
  const spent = cache.get(keyOf(delivery));
  if (!spent) return;
  if (changes === taken.length) spent.phone += taken.reduce((sum, { weight }) => sum + weight, 0);
  else cache.delete(keyOf(delivery));
};
