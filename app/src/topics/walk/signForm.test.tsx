import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import { pageDigest, pageOf } from '@quay/core/walk/readback';
import '../../i18n';
import { living } from '../../testing/living';
import { counted, heldOf, type Made, pack } from '../../testing/view';
import { SignForm } from './SignForm';
import type { WalkView } from '../../local/useWalk';

const mockDots: (() => void)[] = [];
const mockFields: ((png: Blob | undefined) => void)[] = [];
jest.mock('../../platform/signature', () => ({
  SignatureField: ({ onDrawn, onDot }: { onDrawn: (png: Blob | undefined) => void; onDot: () => void }) => {
    mockDots.push(onDot);
    mockFields.push(onDrawn);
    return null;
  },
}));
jest.mock('../../local/outbox/save', () => ({
  savePhoto: (_: string, drawing: { name: string }) => Promise.resolve(drawing.name.repeat(64)),
}));
const mockSigned: string[] = [];
jest.mock('../../local/deviceKey', () => ({
  signHere: (message: string) => {
    mockSigned.push(message);
    return Promise.resolve({ signature: 'signed', key: 'k'.repeat(64) });
  },
}));
// The words of other languages lie in files that only a bundle fetches.
jest.mock('../../i18n/stopWords', () => ({ useStopWords: () => true }));
let mockHeld: () => readonly unknown[] = () => [];
jest.mock('../../local/localDb', () => ({
  eventsHere: () => Promise.resolve(mockHeld().map((held) => ({ state: 'pending', stored: held }))),
}));
const mockSaid: string[] = [];
jest.mock('../../ui/controls/snack', () => ({ useSnack: () => (said: { text: string }) => mockSaid.push(said.text) }));

const BOTH = [
  { as: 'renter', title: 'Ines Okonjo-Lind', commitment: '1'.repeat(64) },
  { as: 'staff', title: 'For the quay', commitment: '2'.repeat(64) },
] as const;
const ROWS: Made[] = [counted('out', 'fenders', 4), counted('out', 'paddle', 2)];

beforeEach(() => {
  mockFields.length = 0;
  mockSigned.length = 0;
  mockSaid.length = 0;
});

const show = ({ rows = ROWS, full = false, stop }: { rows?: readonly Made[]; full?: boolean; stop?: string } = {}) => {
  const [back, done] = [jest.fn(), jest.fn()];
  const shown = living(rows, 'out', 'helm', (drawn) => {
    const view: WalkView = full ? { ...drawn, enter: () => Promise.resolve([]) } : drawn;
    return <SignForm view={view} signers={BOTH} languages={['en', 'fr']} stop={stop} onBack={back} onSealed={done} />;
  });
  mockHeld = shown.stored;
  return { ...shown, done };
};
/** Both draw their name: what the two fields that were drawn last are told. */
const draw = (...names: string[]) =>
  act(() => {
    const fields = mockFields.slice(-2);
    names.forEach((name, i) => fields[i]!({ name } as unknown as Blob));
  });

describe('signing a walk', () => {
  it('asks for every name before it can be sealed', () => {
    show();
    expect(screen.queryByTestId('seal')).toBeNull();
    draw('a');
    expect(screen.queryByTestId('seal')).toBeNull();
    draw('a', 'b');
    expect(screen.getByTestId('seal')).toBeTruthy();
  });

  it('keeps both signatures on the page as it was read, then seals everything that is on this phone', async () => {
    const { entered, done, view } = show();
    const before = view().record;
    draw('a', 'b');
    fireEvent.click(screen.getByTestId('seal'));
    await waitFor(() => expect(done).toHaveBeenCalled());
    const page = pageDigest(pageOf(before, pack.book, 'out', 'Tuppenny Bun', 'en'));
    expect(entered.slice(0, 2)).toEqual([
      { kind: 'signed', walk: 'out', as: 'renter', page, language: 'en', signer: '1'.repeat(64), drawing: 'a'.repeat(64) },
      { kind: 'signed', walk: 'out', as: 'staff', page, language: 'en', signer: '2'.repeat(64), drawing: 'b'.repeat(64) },
    ]);
    const sealed = entered[2] as Extract<EventBody, { kind: 'sealed' }>;
    expect(sealed).toMatchObject({ kind: 'sealed', walk: 'out', signature: 'signed', key: 'k'.repeat(64), previous: null });
    // What was counted and both signatures are under the seal.
    expect(sealed.covers).toHaveLength(ROWS.length + 2);
    expect(sealed.photos).toEqual(['a'.repeat(64), 'b'.repeat(64)]);
    expect(mockSigned).toHaveLength(1);
    expect(mockSigned[0]).toContain(sealed.root);
  });

  it('signs the page in the language it is read in, and whoever reads another signs anew', async () => {
    const { entered } = show();
    draw('a', 'b');
    fireEvent.click(screen.getByTestId('read-in-fr'));
    await waitFor(() => expect(screen.queryByTestId('seal')).toBeNull());
    draw('a', 'b');
    fireEvent.click(screen.getByTestId('seal'));
    await waitFor(() => expect(entered).toHaveLength(3));
    expect(entered[0]).toMatchObject({ language: 'fr' });
  });

  it('that something is entered after has to be signed again', async () => {
    const { view } = show();
    draw('a', 'b');
    expect(screen.getByTestId('seal')).toBeTruthy();
    await act(async () => void (await view().enter([counted('out', 'ring', 1)])));
    expect(screen.queryByTestId('seal')).toBeNull();
  });

  it('on a full phone seals nothing that was not kept', async () => {
    const { done } = show({ full: true });
    draw('a', 'b');
    await act(async () => {
      fireEvent.click(screen.getByTestId('seal'));
      await Promise.resolve();
    });
    expect(done).not.toHaveBeenCalled();
    expect([mockSigned, mockSaid]).toEqual([[], []]);
  });

  it('takes no dot for a name, and says so', () => {
    show();
    act(() => mockDots.at(-1)!());
    expect(screen.getByText('That is a dot. Draw the name.')).toBeTruthy();
    draw('a', 'b');
    expect(screen.queryByText('That is a dot. Draw the name.')).toBeNull();
  });

  it('says what is still open, and holds while something stops it', () => {
    show({ stop: 'The boat is held.' });
    expect(screen.getByText('The boat is held.')).toBeTruthy();
    draw('a', 'b');
    expect(screen.getByTestId('seal')).toBeDisabled();
  });

  it('is done once', () => {
    const held = heldOf(ROWS).map(({ event }) => event.id);
    const sealed = {
      kind: 'sealed',
      walk: 'out',
      covers: held,
      photos: [],
      previous: null,
      root: 'a'.repeat(64),
      signature: '',
      key: 'b'.repeat(64),
    };
    living([...ROWS, sealed as EventBody], 'out', 'helm', (view) => (
      <SignForm view={{ ...view, sealed: true }} signers={BOTH} languages={['en']} onBack={() => undefined} onSealed={() => undefined} />
    ));
    expect(screen.queryByTestId('open-signatures')).toBeNull();
    expect(screen.queryByTestId('seal')).toBeNull();
  });

  it('of a return shows first what is new, gone, dirty or not looked at, and says what was confirmed in one press', () => {
    const mark = { id: 'm1', surface: 'port-side', x: 0.4, y: 0.5, kind: 'scratch', sizeMm: 160, photos: [] } as const;
    const [check] = pack.book.checks;
    living(
      [
        counted('out', 'paddle', 2),
        counted('out', 'fenders', 4),
        counted('in', 'paddle', 1),
        { ...counted('in', 'fenders', 4), asBefore: true } as EventBody,
        { kind: 'markPlaced', walk: 'in', mark: { ...mark, photos: [] } },
        { kind: 'surfaceSeen', walk: 'in', surface: 'port-side', photos: [] },
        { kind: 'asFound', walk: 'in', check: check!.id, way: check!.ways[1]!.id, photos: [] },
      ],
      'in',
      'helm',
      (view) => <SignForm view={view} signers={BOTH} languages={['en']} onBack={() => undefined} onSealed={() => undefined} />,
    );
    expect(screen.getByText('New, different or not looked at')).toBeTruthy();
    expect(screen.getByText(/^new: scratch, 160 mm/)).toBeTruthy();
    expect(screen.getByText(/: 1, at departure 2$/)).toBeTruthy();
    // Once among what comes first, and once in its list.
    expect(screen.getAllByText(`${check!.name.en}: ${check!.ways[1]!.name.en}`)).toHaveLength(2);
    const sight = pack.book.gauges.find(({ id }) => id === 'volts')!;
    expect(screen.getByText(/^\d+ things were not looked at$/)).toBeTruthy();
    expect(screen.getAllByText(new RegExp(sight.name.en)).length).toBeGreaterThan(0);
    expect(screen.getByText('Confirmed in one press, as at departure')).toBeTruthy();
    // Nothing of a return is folded away.
    expect(screen.queryByText(/^Show all/)).toBeNull();
  });
});
