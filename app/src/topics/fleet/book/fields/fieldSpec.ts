/** What a row of each list is made of, for the editor: every field of a book can be changed. */
export type FieldSpec =
  | { field: string; is: 'wording'; needed?: true; lines?: number }
  | { field: string; is: 'text'; needed?: true }
  | { field: string; is: 'number'; needed?: true; min?: number; max?: number; whole?: true; unit?: string }
  | { field: string; is: 'choice'; options: readonly string[]; needed?: true }
  /** One of a few numbers. */
  | { field: string; is: 'figure'; options: readonly number[]; needed?: true }
  | { field: string; is: 'flag' }
  | { field: string; is: 'station'; optional?: true }
  | { field: string; is: 'tank' }
  | { field: string; is: 'spot' }
  /** A table of a tank: from a file, or by a fill. */
  | { field: 'needleTable' | 'strapping'; is: 'curve' }
  /** Trials on the water, which stand in the file as they are. */
  | { field: string; is: 'trials' }
  /** Several of some. */
  | {
      field: string;
      is: 'several';
      options: readonly string[];
      needed?: true;
      names: 'station' | 'state' | 'weekday' | 'swims';
      label?: string;
    }
  /** An hour of the clock, `09:30`, and a day, typed as days are typed. */
  | { field: string; is: 'clock' | 'day'; needed?: true; label?: string }
  /** From and to. */
  | { field: string; is: 'range'; unit?: string; names?: 'position' }
  /** When something applies. */
  | { field: string; is: 'condition'; needed?: true }
  /** Fields that belong together, there or not as a whole. */
  | { field: string; is: 'group'; of: readonly FieldSpec[] }
  /**
   * Rows within a row: each with fields of its own and an id; `plain` without one; `bare` nothing but the one field; `empty`
   * where none of them is a list all the same; `folds` where each is a line until it is opened.
   */
  | {
      field: string;
      is: 'list';
      of: readonly FieldSpec[];
      needed?: true;
      plain?: true;
      bare?: true;
      empty?: true;
      folds?: true;
      most: number;
    }
  /** A step of the same list, or one of the ways it ends. */
  | { field: string; is: 'step'; needed?: true }
  /** What fills taught: seen here, and taken over elsewhere. */
  | { field: 'errors'; is: 'learnt' }
  /** What a drill asks for, of its own controls, facts and timers. */
  | { field: string; is: 'drillWhen'; needed?: true }
  /** What controls and facts of a drill are: all of them, or some. */
  | { field: string; is: 'values'; some?: true }
  /** Where a position of a control that is held goes by itself. */
  | { field: string; is: 'springs' }
  /** One of a drill's own controls, timers or lessons; a position of the control that a field beside it names. */
  | { field: string; is: 'ref'; of: 'controls' | 'timers' | 'lessons'; needed?: true }
  | { field: string; is: 'position'; of: string; needed?: true; label?: string }
  /** Words, or figures, with commas between. */
  | { field: string; is: 'words' | 'figures'; needed?: true }
  /** A figure, or a word. */
  | { field: string; is: 'reading'; needed?: true }
  /** Rows under names of their own: each a name, and words. */
  | { field: string; is: 'facts' }
  /** Strokes of a drawing. */
  | { field: string; is: 'strokes'; needed?: true };

export const wording = (field: string, needed?: true): FieldSpec => ({ field, is: 'wording', ...(needed ? { needed } : {}) });
export const NAME = wording('name', true);
export const STATION: FieldSpec = { field: 'station', is: 'station' };
export const PRICE: FieldSpec = { field: 'price', is: 'text' };
export const WHEN: FieldSpec = { field: 'when', is: 'condition' };
