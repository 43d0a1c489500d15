import * as z from 'zod/mini';
import { BOAT_KINDS } from '@quay/core/fleet/book';
import { Plan } from '@quay/core/fleet/drawing';
import { Place } from '@quay/core/fleet/places';
import { Fitting, Station, Tank } from '@quay/core/fleet/rows';
import { StarterAnswers } from '@quay/core/fleet/starter/questions';
import { SYSTEM_NAMES } from '@quay/core/fleet/starter/systems';
import { Wording } from '@quay/core/words/words';
import { boatParams } from './fleet';
import { endpoint } from './endpoint';
import { Id, nothing } from './parts';

/** A class book that a boat can be made from by answering questions, with what is usual of such a boat. */
export const Starter = z.object({
  id: Id,
  name: z.string(),
  kind: z.enum(BOAT_KINDS),
  usual: z.omit(StarterAnswers, { name: true, hullNumber: true }),
  plan: Plan,
  stations: z.array(Station),
  fittings: z.array(Fitting),
  systems: z.array(z.enum(SYSTEM_NAMES)),
  places: z.array(Place),
  tank: z.nullable(Tank),
});
export type Starter = z.infer<typeof Starter>;

export const listStarters = endpoint({
  name: 'listStarters',
  summary: 'What a new boat or base can begin from.',
  method: 'GET',
  path: '/starters',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    starters: z.array(Starter),
    bases: z.array(z.object({ id: Id, name: z.string() })),
    /** Sets of rules about jackets, drivers and lookouts: those that are kept, and those that come with the program. */
    rules: z.array(z.object({ id: Id, name: Wording, about: Wording })),
    waters: z.array(z.object({ id: Id, name: z.string() })),
  }),
});

const added = z.object({ id: Id });

export const addBoat = endpoint({
  name: 'addBoat',
  summary: 'A new boat, made from a starter and the answers to its questions. Two boats never have one hull number.',
  method: 'POST',
  path: '/boats',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: z.object({ starter: Id, base: Id, answers: StarterAnswers }),
  reply: added,
});

export const copyBoat = endpoint({
  name: 'copyBoat',
  summary: 'A new boat, built as one that is there.',
  method: 'POST',
  path: '/boats/:boatId/sisters',
  roles: ['manager'],
  params: boatParams,
  query: nothing,
  body: z.pick(StarterAnswers, { name: true, hullNumber: true }),
  reply: added,
});

export const NewBase = z.object({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  zone: z.string().check(z.minLength(1), z.maxLength(60)),
  phone: z.string().check(z.trim(), z.maxLength(40)),
  /** The water in front of it, by the name people know it by; one that is there already is the same water. */
  water: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  /** Whom to call in need, on this water. */
  emergencyNumber: z.string().check(z.trim(), z.maxLength(20)),
  rules: Id,
});
export type NewBase = z.infer<typeof NewBase>;

export const addBase = endpoint({
  name: 'addBase',
  summary: 'A new base, with the water in front of it and the rules that hold there.',
  method: 'POST',
  path: '/bases',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: NewBase,
  reply: added,
});
