import * as z from 'zod/mini';
import { assign } from '../matching/assign';

export const MARK_KINDS = ['scratch', 'gouge', 'dent', 'crack', 'chip', 'tear', 'stain', 'bend', 'missing'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** A recorded flaw: position runs from 0 to 1 on the drawing of its surface, right and down. */
export const Mark = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  surface: z.string(),
  x: z.number().check(z.gte(0), z.lte(1)),
  y: z.number().check(z.gte(0), z.lte(1)),
  kind: z.enum(MARK_KINDS),
  sizeMm: z.number().check(z.gt(0), z.lte(20_000)),
  note: z.optional(z.string().check(z.maxLength(500))),
  photos: z.array(z.string().check(z.regex(/^[0-9a-f]{64}$/))).check(z.maxLength(12)),
});
export type Mark = z.infer<typeof Mark>;

export type MarkFinding =
  | { is: 'new'; in: Mark; nearestM: number | undefined }
  | { is: 'notSeen'; out: Mark }
  | { is: 'grown'; out: Mark; in: Mark; ratio: number }
  | { is: 'known'; out: Mark; in: Mark };

/** What people mix up when they name the same flaw twice; anything else is a different kind of flaw. */
const CONFUSED: readonly (readonly MarkKind[])[] = [
  ['scratch', 'gouge'],
  ['gouge', 'dent'],
  ['gouge', 'chip'],
  ['chip', 'crack'],
  ['scratch', 'crack'],
  ['scratch', 'stain'],
  ['dent', 'bend'],
  ['tear', 'scratch'],
  ['tear', 'missing'],
  ['chip', 'missing'],
];
const confusable = (a: MarkKind, b: MarkKind) => CONFUSED.some((pair) => pair.includes(a) && pair.includes(b));

/**
 * Errors of two people marking the same flaw. Position is a share of the surface (a thumb on a drawing, so it scales
 * with the drawing, not with the boat); size is judged by eye, so it errs by a factor.
 */
const POSITION_SD = 0.02;
const LOG_SIZE_SD = 0.3;
/** Squared distances beyond these gates belong to different flaws: 4.5 sd of the difference of two placings. */
const POSITION_GATE = (4.5 * POSITION_SD * Math.SQRT2) ** 2;
const SIZE_GATE = 4 * LOG_SIZE_SD * Math.SQRT2;
/** Dearer than this and it is likelier that one flaw was missed and another is new. */
const LEFT_ALONE = 14;
/** Grown needs more than three sd of the size error; below that it is the eye that differs. */
const GROWN_RATIO = Math.exp(3 * LOG_SIZE_SD * Math.SQRT2);

/** Negative log likelihood, up to a constant, that two entries are the same flaw; Infinity outside the gates. */
export const markCost = (a: Mark, b: Mark): number => {
  if (a.surface !== b.surface) return Infinity;
  const place = (a.x - b.x) ** 2 + (a.y - b.y) ** 2;
  const size = Math.abs(Math.log(a.sizeMm / b.sizeMm));
  // A flaw may have grown, so the size gate binds only when the later one is smaller.
  if (place > POSITION_GATE || (b.sizeMm < a.sizeMm && size > SIZE_GATE)) return Infinity;
  const kind = a.kind === b.kind ? 0 : confusable(a.kind, b.kind) ? 2.5 : 5;
  return place / (4 * POSITION_SD ** 2) + Math.min(size, SIZE_GATE) ** 2 / (4 * LOG_SIZE_SD ** 2) + kind;
};

/**
 * Marks of departure against marks of return: one to one, at the least total cost, within gates.
 * @param sizes of the surfaces, for saying how far the nearest known mark lay @returns findings, returns' order first
 */
export const compareMarks = (
  out: readonly Mark[],
  returned: readonly Mark[],
  sizes: ReadonlyMap<string, { widthM: number; heightM: number }>,
): MarkFinding[] => {
  const findings: MarkFinding[] = [];
  const surfaces = [...new Set([...returned, ...out].map((mark) => mark.surface))];
  for (const surface of surfaces) {
    const before = out.filter((mark) => mark.surface === surface);
    const after = returned.filter((mark) => mark.surface === surface);
    // A mark that was recognised on the walk carries the id it had going out; only the rest must be recognised here.
    const sure = new Map(after.flatMap((mark) => (before.some(({ id }) => id === mark.id) ? [[mark.id, mark]] : [])));
    const openBefore = before.filter(({ id }) => !sure.has(id));
    const openAfter = after.filter(({ id }) => !sure.has(id));
    const pairs = assign(
      openAfter.map((b) => openBefore.map((a) => markCost(a, b))),
      LEFT_ALONE,
    );
    const matched = new Set(pairs.filter((j) => j >= 0).map((j) => openBefore[j]!.id));
    for (const mark of after) {
      const j = pairs[openAfter.indexOf(mark)] ?? -1;
      const known = sure.has(mark.id) ? before.find(({ id }) => id === mark.id) : openBefore[j];
      if (!known) {
        const size = sizes.get(surface);
        const apart = size ? before.map((m) => Math.hypot((m.x - mark.x) * size.widthM, (m.y - mark.y) * size.heightM)) : [];
        findings.push({ is: 'new', in: mark, nearestM: apart.length > 0 ? Math.min(...apart) : undefined });
      } else if (mark.sizeMm / known.sizeMm > GROWN_RATIO) {
        findings.push({ is: 'grown', out: known, in: mark, ratio: mark.sizeMm / known.sizeMm });
      } else findings.push({ is: 'known', out: known, in: mark });
    }
    for (const mark of before) {
      if (!sure.has(mark.id) && !matched.has(mark.id)) findings.push({ is: 'notSeen', out: mark });
    }
  }
  return findings;
};
