import * as z from 'zod/mini';
import { Mark } from '../../condition/marks';
import { EVIDENCE_STATES, FITTING_STATES, SKIP_REASONS } from '../kinds';
import { EventId, Sha256, Walk, id, note, photos, asBefore } from './parts';

/** What is seen, said and signed on the walks out and in. */
export const walking = {
  walkStarted: z.object({ kind: z.literal('walkStarted'), walk: Walk }),
  pointTold: z.object({
    kind: z.literal('pointTold'),
    walk: Walk,
    point: id,
    how: z.enum(['said', 'shown', 'read']),
    language: z.string().check(z.maxLength(8)),
  }),
  pointSkipped: z.object({ kind: z.literal('pointSkipped'), walk: Walk, point: id, why: z.enum(SKIP_REASONS), note }),
  counted: z.object({
    kind: z.literal('counted'),
    walk: Walk,
    fitting: id,
    count: z.int().check(z.gte(0), z.lte(999)),
    state: z.enum(FITTING_STATES),
    /** Number on the seal of a sealed kit. */
    seal: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
    /** The station at which it was found, where that is not its own. */
    at: z.optional(id),
    note,
    asBefore,
  }),
  gaugeRead: z.object({
    kind: z.literal('gaugeRead'),
    walk: Walk,
    gauge: id,
    shown: z.number().check(z.gte(-1e6), z.lte(1e6)),
    askew: z.optional(z.boolean()),
    /** Of a totaliser: it counts from a fill to the brim at which it was zeroed. */
    zeroed: z.optional(z.literal(true)),
    /** Who read it: a person unless said otherwise. */
    by: z.optional(z.literal('gateway')),
    /** Of what was read, where the book asks to be shown it. */
    photos: z.optional(photos),
    asBefore,
  }),
  /** Filled to the brim before this walk's other readings, with the litres on the pump's meter where there was one. */
  brimmed: z.object({
    kind: z.literal('brimmed'),
    walk: Walk,
    tank: id,
    meteredL: z.optional(z.number().check(z.gt(0), z.lte(20_000))),
  }),
  markPlaced: z.object({ kind: z.literal('markPlaced'), walk: Walk, mark: Mark, asBefore }),
  surfaceLooked: z.object({ kind: z.literal('surfaceLooked'), walk: Walk, surface: id, photos, asBefore }),
  evidenceGiven: z.object({
    kind: z.literal('evidenceGiven'),
    walk: Walk,
    propeller: id,
    state: z.enum(EVIDENCE_STATES),
    sizeMm: z.optional(z.number().check(z.gt(0), z.lte(500))),
    /** Revolutions a minute at full throttle, where she is judged by them. */
    fullRpm: z.optional(z.int().check(z.gt(0), z.lte(12_000))),
    note,
    photos,
    asBefore,
  }),
  /** What somebody who signs wants to stand beside it. */
  remarked: z.object({
    kind: z.literal('remarked'),
    walk: Walk,
    as: z.enum(['renter', 'staff']),
    text: z.string().check(z.minLength(1), z.maxLength(2000)),
  }),
  stationTied: z.object({ kind: z.literal('stationTied'), walk: Walk, station: id }),
  held: z.object({ kind: z.literal('held'), why: z.string().check(z.minLength(1), z.maxLength(500)) }),
  fuelFilled: z.object({
    kind: z.literal('fuelFilled'),
    tank: id,
    litres: z.number().check(z.gt(0), z.lte(20_000)),
    brim: z.boolean(),
    by: z.enum(['operator', 'renter']),
    paidMinor: z.optional(z.int().check(z.gte(0))),
  }),
  signed: z.object({
    kind: z.literal('signed'),
    walk: Walk,
    as: z.enum(['renter', 'staff']),
    page: Sha256,
    language: z.string().check(z.maxLength(8)),
    signer: Sha256,
    drawing: Sha256,
  }),
  sealed: z.object({
    kind: z.literal('sealed'),
    walk: Walk,
    covers: z.array(EventId).check(z.minLength(1), z.maxLength(5000)),
    photos: z.array(Sha256).check(z.maxLength(5000)),
    previous: z.union([Sha256, z.null()]),
    root: Sha256,
    signature: z.string().check(z.maxLength(512)),
    key: Sha256,
  }),
  /** How one thing to be looked at was found: `way` is one of those the book names. */
  asFound: z.object({ kind: z.literal('asFound'), walk: Walk, check: id, way: id, note, photos }),
  /** Somebody will not sign, or is gone: the walk is sealed without their name, and says so. */
  signRefused: z.object({ kind: z.literal('signRefused'), walk: Walk, why: z.string().check(z.minLength(1), z.maxLength(500)) }),
  castOff: z.object({ kind: z.literal('castOff') }),
  cameIn: z.object({ kind: z.literal('cameIn') }),
};
