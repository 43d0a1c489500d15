import * as z from 'zod/mini';
import type { Walk } from './parts';

/** Who an event may come from: what it says of itself is nobody’s word but theirs. */
export type Role = 'hand' | 'manager' | 'renter' | 'quay';
/** `renterAlone`: the renter, on a walk that they make without staff. */
export type AddedBy = Role | 'renterAlone';

/** What an event is about, as a list of its parts: no part of one is the beginning of another. */
export type Subject = readonly string[];

/**
 * What several events come to that stand for one subject: one `replace`s another, so two that differ are a conflict;
 * `once` is enough, whatever is said again; all are `collect`ed and stand side by side.
 */
export type Merge = 'replace' | 'once' | 'collect';

type Fields = Readonly<Record<string, z.core.$ZodType>>;
export type Shape<K extends string, F extends Fields> = z.ZodMiniObject<{ kind: z.ZodMiniLiteral<K> } & F, z.core.$strip>;

/** Names of fields that hold pictures; whoever has one says which of them belong to the event. */
type PictureField = 'photos' | 'drawing';
/** Whether pictures are named in a body, or in something it holds. */
type HoldsPictures<B> = [
  Extract<keyof B, PictureField> | { [P in keyof B]-?: Extract<keyof NonNullable<B[P]>, PictureField> }[keyof B],
] extends [never]
  ? false
  : true;

/** What an event does to the record beside standing for its subject. Most kinds do nothing more. */
export type Effect<B> =
  /** Takes away the events it names. */
  | { does: 'undo' }
  /** Says which of the values that stand for a subject is right. */
  | { does: 'resolve'; between(this: void, body: B): Subject; stands(this: void, body: B): string }
  /** Fixes the walk it names, or the whole: only what it covers counts. */
  | { does: 'seal' | 'close'; covers(this: void, body: B): readonly string[] }
  /** Begins a walk; that of the departure says by which version of the book. */
  | { does: 'start' }
  /** Once it stands, the departure can no longer be put right. */
  | { does: 'leave' }
  /** Gives the hire another boat: what was entered of the one before stays behind with her, but for what is the same on both. */
  | { does: 'swap'; from(this: void, body: B): string; to(this: void, body: B): string; same(this: void, body: B): readonly string[] }
  /** Puts a name to a walk, or says that nobody does. */
  | { does: 'sign' | 'refuse' }
  /** What somebody outside says of what they were asked before, also after the closing. */
  | { does: 'answer' };

type Said<B> = {
  /** What it is about. Nothing for what acts only through the events it names. */
  subject: (body: B) => Subject | undefined;
  merge: Merge;
  /** Who may add it; where that hangs on what it says, said of the body. */
  addedBy: readonly AddedBy[] | ((body: B) => readonly AddedBy[]);
  /** Of what a renter alone may add: the walk it belongs to, where the body names none. */
  on?: Walk;
  /** It goes on after the closing, which settles with the renter: the boat is turned round, money moves, a line is argued about. */
  afterClosing?: true;
  /**
   * It is about the hire and goes with it to another boat, always or where what it speaks of is the same on both (`point/…`,
   * `aboard/…`, `drill/…`). What says nothing here is about the boat.
   */
  onSwap?: 'goesAlong' | ((body: B) => string);
  effect?: Effect<B>;
};
type Pictures<B> = HoldsPictures<B> extends true ? { photos: (body: B) => readonly string[] } : { photos?: never };

/** Everything there is to know of a kind of event. */
export type EventDefinition<K extends string, B> = {
  readonly kind: K;
  readonly schema: z.ZodMiniType<B> & z.core.$ZodTypeDiscriminable<'kind'>;
  readonly merge: Merge;
  readonly on: Walk | undefined;
  readonly afterClosing: boolean;
  /** Whether it goes along to another boat. @param same what is the same on both */
  onSwap(this: void, body: B, same: ReadonlySet<string>): boolean;
  readonly effect: Effect<B> | undefined;
  // Methods, so that a definition may stand among others of other kinds: each is only asked about bodies of its own.
  subject(this: void, body: B): Subject | undefined;
  addedBy(this: void, body: B): readonly AddedBy[];
  /** Names of the photographs and drawings that belong to it, and that a seal covers with it. */
  photos(this: void, body: B): readonly string[];
};

/** What an event of a kind says. */
export type BodyOf<D> = D extends EventDefinition<string, infer B> ? B : never;

/**
 * Defines a kind of event: the union of kinds, what a subject is, who may add what, what replaces what and which pictures
 * a seal covers all follow from this. Fields that hold pictures and are not declared as such do not compile.
 * @param body fields beside the kind @param check what must hold between them
 */
export const defineEvent = <const K extends string, F extends Fields>(
  kind: K,
  {
    body,
    check,
    subject,
    merge,
    addedBy,
    on,
    afterClosing,
    onSwap,
    effect,
    photos,
  }: {
    body: F;
    check?: { holds: (body: z.infer<Shape<K, F>>) => boolean; says: string };
  } & Said<z.infer<Shape<K, F>>> &
    Pictures<z.infer<Shape<K, F>>>,
): EventDefinition<K, z.infer<Shape<K, F>>> => {
  const shape = z.object({ kind: z.literal(kind), ...body }) as unknown as Shape<K, F>;
  return {
    kind,
    schema: (check ? shape.check(z.refine(check.holds, check.says)) : shape) as EventDefinition<K, z.infer<Shape<K, F>>>['schema'],
    subject,
    merge,
    addedBy: typeof addedBy === 'function' ? addedBy : () => addedBy,
    on,
    afterClosing: afterClosing ?? false,
    onSwap: (said, same) => {
      const what = typeof onSwap === 'function' ? onSwap(said) : onSwap;
      return what === 'goesAlong' || (what !== undefined && same.has(what));
    },
    effect,
    photos: photos ?? (() => []),
  };
};
