import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import type { ListName } from '@quay/core/fleet/book';
import type { RowEdit } from '@quay/core/fleet/edit';
import '../../../i18n';
import { pack } from '../../../testing/view';
import { FIELDS } from './fields/fields';
import { type RowOrigin, RowSheet } from './RowSheet';
import { render } from '../../../testing/render';

const { book } = pack;
const show = (
  list: ListName,
  row: Readonly<Record<string, unknown>> | undefined,
  { origin = 'class', fault, start = {} }: { origin?: RowOrigin['is']; fault?: string; start?: Record<string, unknown> } = {},
) => {
  const kept: RowEdit[] = [];
  const [drop, inherit] = [jest.fn(), jest.fn()];
  render(
    <RowSheet
      kind="boat"
      title="One of them"
      fields={FIELDS[list]}
      {...(row ? { row } : {})}
      start={start}
      origin={{ is: origin, name: 'Pontoon 7' }}
      stations={book.stations}
      tanks={book.tanks}
      plan={book.plan}
      bookKind={book.kind}
      fault={fault}
      busy={false}
      onClose={() => undefined}
      onKeep={(edit) => kept.push(edit)}
      onDrop={drop}
      onInherit={inherit}
    />,
  );
  return { kept, drop, inherit };
};
const type = (id: string, text: string) => fireEvent.change(screen.getByTestId(id), { target: { value: text } });
/** Presses, and waits for what a form does about it. */
const press = (id: string) =>
  act(async () => {
    fireEvent.click(screen.getByTestId(id));
    await new Promise((done) => setTimeout(done));
  });
const row = (list: 'fittings' | 'points' | 'tanks', id: string) =>
  book[list].find((one) => one.id === id)! as unknown as Record<string, unknown>;
/** The fields that a row says something in. */
const said = (edit: RowEdit | undefined) => Object.fromEntries(Object.entries(edit ?? {}).filter(([, value]) => value !== undefined));
/** The same of a row as it stands in the book, as far as the form has fields for it. */
const ofForm = (list: ListName, whole: Readonly<Record<string, unknown>>) => {
  const fields = new Set(FIELDS[list].map(({ field }) => field));
  return Object.fromEntries(Object.entries(whole).filter(([field, value]) => fields.has(field) && value !== undefined && value !== false));
};

describe('a row of a book', () => {
  it.each([
    ['fittings', book.fittings],
    ['points', book.points],
    ['gauges', book.gauges],
    ['surfaces', book.surfaces],
    ['propellers', book.propellers],
    ['checks', book.checks],
    ['tanks', book.tanks],
    ['stations', book.stations],
  ] as const)('of %s, opened and kept as it is, says what it said', async (list, rows) => {
    for (const one of rows.slice(0, 4)) {
      const { kept } = show(list, one as unknown as Record<string, unknown>);
      await press('keep-row');
      expect(said(kept[0])).toEqual(ofForm(list, one as unknown as Record<string, unknown>));
      cleanup();
    }
  });

  it('is kept with what was typed, in the language it was typed in', async () => {
    const fenders = row('fittings', 'fenders');
    const { kept } = show('fittings', fenders);
    type('field-count', '6');
    await press('in-fr');
    type('text-name', 'Pare-battages du bord');
    await press('flag-safety');
    await press('keep-row');
    const name = fenders.name as Record<string, string>;
    expect(said(kept[0])).toEqual({
      ...ofForm('fittings', fenders),
      count: 6,
      name: { ...name, fr: 'Pare-battages du bord' },
      ...(fenders.safety === true ? {} : { safety: true }),
    });
  });

  it.each([
    ['no number', 'many'],
    ['no whole number', '2.5'],
    ['fewer than none', '-1'],
    ['more than there can be', '100'],
    ['nothing where something is needed', ''],
  ])('is not kept with %s, which is said at its field until it is changed', async (_, typed) => {
    const { kept } = show('fittings', row('fittings', 'fenders'));
    const before = screen.queryAllByText(/./).length;
    type('field-count', typed);
    await press('keep-row');
    expect(kept).toEqual([]);
    expect(screen.queryAllByText(/./).length).toBe(before + 1);
    type('field-count', '4');
    expect(screen.queryAllByText(/./).length).toBe(before);
    await press('keep-row');
    expect(kept).toHaveLength(1);
  });

  it('needs its words in English before those of another language, since all fall back to it', async () => {
    const { kept } = show('fittings', row('fittings', 'fenders'));
    type('text-name', ' ');
    await press('keep-row');
    expect(kept).toEqual([]);
    expect(screen.getByText(/English/)).toBeTruthy();
  });

  it('is made a jacket by a tick, and says whom it fits field by field', async () => {
    const { kept } = show('fittings', row('fittings', 'fenders'));
    await press('group-jacket');
    type('field-jacket-fromKg', 'forty');
    await press('jacket-kind-foam');
    await press('keep-row');
    expect(kept).toEqual([]);
    expect(screen.getByText('A number, please.')).toBeTruthy();
    type('field-jacket-fromKg', '40');
    type('field-jacket-toKg', '130');
    await press('jacket-newtons-100');
    await press('keep-row');
    expect(kept[0]).toMatchObject({ jacket: { kind: 'foam', fromKg: 40, toKg: 130, newtons: 100 } });
  });

  it('is told when somebody says so in sentences, and a question is written with its answers', async () => {
    const { weight, seconds, say: words } = book.points[0]!;
    const { kept } = show('points', { station: 'helm', weight, seconds, say: words });
    await press('add-fact');
    await press('fact-party.children');
    await press('keep-row');
    expect(kept).toEqual([]);
    expect(screen.getByText('Say what it has to be.')).toBeTruthy();
    type('atLeast-0', '1');
    await press('add-fact');
    await press('fact-hire.nearDusk');
    await press('mode-any');
    await press('more-questions');
    type('text-questions-0-ask', 'Who wears one?');
    await press('more-questions-0-answers');
    await press('keep-row');
    expect(kept).toEqual([]);
    type('text-questions-0-answers-0-say', 'Every child');
    await press('flag-questions-0-answers-0-right');
    await press('keep-row');
    expect(kept[0]).toMatchObject({
      when: {
        any: [
          { fact: 'party.children', atLeast: 1 },
          { fact: 'hire.nearDusk', is: true },
        ],
      },
      questions: [
        { id: 'questions', ask: { en: 'Who wears one?' }, answers: [{ id: 'answers', say: { en: 'Every child' }, right: true }] },
      ],
    });
  });

  it('of a fix card leads from step to step, in the order they are put', async () => {
    const { kept } = show('fixCards', {
      name: { en: 'Card' },
      steps: [
        { id: 'one', say: { en: 'Stop' }, to: 'two' },
        { id: 'two', say: { en: 'Look' }, to: 'end' },
      ],
    });
    await press('up-steps-1');
    await press('keep-row');
    expect((kept[0] as { steps: { id: string; to: string }[] }).steps.map(({ id, to }) => [id, to])).toEqual([
      ['two', 'end'],
      ['one', 'two'],
    ]);
    await press('drop-steps-0');
    await press('keep-row');
    expect((kept[1] as { steps: { id: string }[] }).steps.map(({ id }) => id)).toEqual(['one']);
  });

  it('lets go of a choice that may be left out, and of no other', async () => {
    const { kind } = row('fittings', 'fenders');
    const { kept } = show('fittings', { ...row('fittings', 'fenders'), per: 'person' });
    await press('per-person');
    await press(`kind-${String(kind)}`);
    await press('station-forward');
    await press('keep-row');
    expect(kept[0]).toMatchObject({ kind, station: 'forward', per: undefined });
  });

  it('shows a briefing point as the renter will see it, while it is typed', async () => {
    show('points', book.points[0] as unknown as Record<string, unknown>);
    type('text-say', 'Both hands on the rail.');
    expect(screen.getByText('Both hands on the rail.', { ignore: 'textarea' })).toBeTruthy();
    await press('in-de');
    type('text-say', 'Beide Hände an die Reling.');
    expect(screen.getByText('Beide Hände an die Reling.', { ignore: 'textarea' })).toBeTruthy();
  });

  it('that says otherwise than its class is given back to it; one that is the class’s own is not', async () => {
    const changed = show('fittings', row('fittings', 'fenders'), { origin: 'changed' });
    await press('inherit');
    expect(changed.inherit).toHaveBeenCalled();
    cleanup();
    show('fittings', row('fittings', 'fenders'), { origin: 'class' });
    expect(screen.queryByTestId('inherit')).toBeNull();
  });

  it('that is new begins with what it starts from, and cannot be taken away', async () => {
    const { kept } = show('stations', undefined, { origin: 'none', start: { at: [1, 0] } });
    expect(screen.queryByTestId('drop-row')).toBeNull();
    await press('keep-row');
    expect(kept).toEqual([]);
    type('text-name', 'Wheelhouse');
    await press('keep-row');
    expect(said(kept[0])).toEqual({ name: { en: 'Wheelhouse' }, at: [1, 0] });
  });

  it('that the quay refuses keeps what was typed beside the reason', () => {
    show('fittings', row('fittings', 'fenders'), { fault: 'Somebody changed this book meanwhile.' });
    type('field-count', '9');
    expect(screen.getByText('Somebody changed this book meanwhile.')).toBeTruthy();
    expect(screen.getByTestId('field-count')).toHaveValue('9');
  });
});
