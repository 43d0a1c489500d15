import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { Id, nothing, Sha256 } from './parts';

export const COMPARISON_STATES = ['queued', 'running', 'done', 'refused', 'failed', 'cancelled'] as const;
export const COMPARISON_PICTURES = ['aligned', 'back', 'heat'] as const;

/** What is new on a photograph, as shares of it, right and down. */
export const ComparisonBox = z.object({ x: z.number(), y: z.number(), width: z.number(), height: z.number(), strength: z.number() });
export type ComparisonBox = z.infer<typeof ComparisonBox>;

/** What was learnt of a boat's surface from what people made of boxes there. */
export const Learnt = z.object({
  /** How likely the machine must hold a difference for a flaw to box it without being asked, 0 to 1. */
  shownFrom: z.number(),
  /** Boxes that were taken for a mark, boxes that were put aside, and those of both that do not count any more. */
  flaws: z.int(),
  nothing: z.int(),
  forgotten: z.int(),
});
export type Learnt = z.infer<typeof Learnt>;

/** Departure's and return's last photograph of one surface, compared by the machine. */
export const Comparison = z.object({
  surface: Id,
  out: Sha256,
  back: Sha256,
  state: z.enum(COMPARISON_STATES),
  /** Why they could not be compared, or why it failed. */
  reason: z.nullable(z.string()),
  /** The likeliest first; those below what is shown on this surface only when somebody asks for fainter ones. */
  boxes: z.array(ComparisonBox),
  learnt: Learnt,
});
export type Comparison = z.infer<typeof Comparison>;

const pairParams = z.object({ hireId: Id, out: Sha256, back: Sha256 });

export const listComparisons = endpoint({
  name: 'listComparisons',
  summary: 'What the machine makes of the photographs of a hire’s surfaces, as far as it has come.',
  method: 'GET',
  path: '/hires/:hireId/comparisons',
  roles: ['hand', 'manager', 'renter'],
  params: z.object({ hireId: Id }),
  query: nothing,
  body: nothing,
  reply: z.object({ comparisons: z.array(Comparison) }),
});

export const comparisonPicture = endpoint({
  name: 'comparisonPicture',
  summary: 'Departure’s photograph laid over return’s, return’s in the same size, or how much each place differs.',
  method: 'GET',
  path: '/hires/:hireId/comparisons/:out/:back/:picture',
  roles: ['hand', 'manager', 'renter'],
  params: z.extend(pairParams, { picture: z.enum(COMPARISON_PICTURES) }),
  query: nothing,
  body: nothing,
  gives: 'image/jpeg',
  reply: z.unknown(),
});

export const changeComparison = endpoint({
  name: 'changeComparison',
  summary: 'Calls a comparison off, or has it made again.',
  method: 'POST',
  path: '/hires/:hireId/comparisons/:out/:back',
  roles: ['hand', 'manager'],
  params: pairParams,
  query: nothing,
  body: z.object({ do: z.enum(['cancel', 'again']) }),
  reply: z.object({ state: z.enum(COMPARISON_STATES) }),
});

export const changeLearnt = endpoint({
  name: 'changeLearnt',
  summary: 'What people made of boxes on a surface of a boat does not count any more, or counts again.',
  method: 'POST',
  path: '/boats/:boatId/learnt/:surface',
  roles: ['manager'],
  params: z.object({ boatId: Id, surface: Id }),
  query: nothing,
  body: z.object({ do: z.enum(['forget', 'recall']) }),
  reply: Learnt,
});
