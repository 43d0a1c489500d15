import { LESSON_WEIGHTS, SHOWS, WIDGETS } from '@quay/core/fleet/drills';
import { type FieldSpec, NAME, PRICE, wording } from '../fields/fieldSpec';

const DRILL_WHEN: FieldSpec = { field: 'when', is: 'drillWhen' };
/** What a drill is made of: its table, its rules, and what they teach. */
export const DRILL_PARTS: readonly FieldSpec[] = [
  {
    field: 'controls',
    is: 'list',
    folds: true,
    needed: true,
    most: 12,
    of: [
      NAME,
      { field: 'widget', is: 'choice', options: WIDGETS, needed: true },
      { field: 'positions', is: 'list', needed: true, most: 6, of: [wording('say')] },
      { field: 'springs', is: 'springs' },
    ],
  },
  { field: 'facts', is: 'facts' },
  {
    field: 'timers',
    is: 'list',
    folds: true,
    empty: true,
    most: 12,
    of: [
      wording('name'),
      { field: 'runs', is: 'drillWhen', needed: true },
      { field: 'clears', is: 'drillWhen' },
      { field: 'marks', is: 'figures', needed: true },
    ],
  },
  { field: 'start', is: 'values' },
  { field: 'variants', is: 'list', folds: true, empty: true, most: 12, of: [NAME, { field: 'start', is: 'values', some: true }] },
  {
    field: 'lessons',
    is: 'list',
    folds: true,
    empty: true,
    most: 60,
    of: [
      { field: 'weight', is: 'choice', options: LESSON_WEIGHTS, needed: true },
      { field: 'say', is: 'wording', needed: true, lines: 2 },
      wording('why'),
      PRICE,
    ],
  },
  {
    field: 'rules',
    is: 'list',
    folds: true,
    needed: true,
    most: 120,
    of: [
      {
        field: 'on',
        is: 'group',
        of: [
          { field: 'control', is: 'ref', of: 'controls', needed: true },
          { field: 'to', is: 'position', of: 'control', needed: true, label: 'toPosition' },
          { field: 'from', is: 'position', of: 'control', label: 'fromPosition' },
        ],
      },
      DRILL_WHEN,
      { field: 'set', is: 'values', some: true },
      { field: 'refuse', is: 'flag' },
      { field: 'lesson', is: 'ref', of: 'lessons' },
    ],
  },
  {
    field: 'shows',
    is: 'list',
    folds: true,
    empty: true,
    most: 20,
    of: [
      NAME,
      { field: 'kind', is: 'choice', options: SHOWS, needed: true },
      {
        field: 'levels',
        is: 'list',
        plain: true,
        needed: true,
        most: 12,
        of: [DRILL_WHEN, { field: 'value', is: 'reading', needed: true }, wording('say'), wording('normal')],
      },
    ],
  },
  {
    field: 'goals',
    is: 'list',
    folds: true,
    needed: true,
    most: 5,
    of: [
      { field: 'say', is: 'wording', needed: true, lines: 2 },
      { field: 'when', is: 'drillWhen', needed: true },
    ],
  },
  {
    field: 'unsafe',
    is: 'list',
    folds: true,
    empty: true,
    most: 20,
    of: [
      { field: 'when', is: 'drillWhen', needed: true },
      { field: 'lesson', is: 'ref', of: 'lessons', needed: true },
    ],
  },
  { field: 'rest', is: 'drillWhen', needed: true },
  { field: 'over', is: 'drillWhen' },
  {
    field: 'moves',
    is: 'list',
    folds: true,
    plain: true,
    needed: true,
    most: 80,
    of: [
      { field: 'control', is: 'ref', of: 'controls' },
      { field: 'to', is: 'position', of: 'control', label: 'toPosition' },
      { field: 'wait', is: 'ref', of: 'timers' },
      DRILL_WHEN,
      { field: 'say', is: 'wording', needed: true, lines: 2 },
      wording('why'),
    ],
  },
];
