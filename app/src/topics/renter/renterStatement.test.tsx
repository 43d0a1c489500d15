import { fireEvent, screen, waitFor } from '@testing-library/react';
import type { EventBody } from '@quay/core/record/event';
import { settle } from '@quay/core/settlement/settle';
import '../../i18n';
import * as api from '../../local/api';
import * as browser from '../../platform/browser';
import { living } from '../../testing/living';
import { counted, idsOf, type Made, pack, sealed, soundPropeller } from '../../testing/view';
import * as face from './RenterFace';
import { RenterStatement } from './RenterStatement';

jest.mock('./RenterFace', () => ({ useRenting: jest.fn() }));
jest.mock('../../local/usePending', () => ({ usePending: () => undefined }));
jest.mock('../../platform/browser', () => ({
  ...jest.requireActual<object>('../../platform/browser'),
  saveFile: jest.fn(),
  rememberedChoice: jest.fn(),
}));
jest.mock('../photo/picture', () => ({ Picture: ({ alt }: { alt: string }) => alt }));
jest.mock('expo-router', () => ({ useRouter: () => ({ push: () => undefined }) }));

const SHA = 'a'.repeat(64);
const LINE = 'count/fenders';
const BACK: Made[] = [
  { kind: 'depositAnswered', attempt: 'a', amountMinor: 25_000, answer: 'authorised' },
  ...soundPropeller,
  counted('out', 'fenders', 4),
  counted('in', 'fenders', 2),
];
const SEALED = sealed('in', BACK);
const DRAFT: Made[] = [...SEALED, { kind: 'findingDecided', finding: LINE, decision: 'renters' }];
const CLOSED: Made[] = [...DRAFT, { kind: 'closed', number: 31, statement: SHA, covers: idsOf(DRAFT), root: SHA }];

let paper: Blob | Error;
beforeEach(() => {
  paper = new Blob(['%PDF']);
  jest.spyOn(api, 'call').mockImplementation((() => Promise.resolve({ comparisons: [] })) as unknown as typeof api.call);
  jest.spyOn(api, 'callForFile').mockImplementation(() => (paper instanceof Error ? Promise.reject(paper) : Promise.resolve(paper)));
});
afterEach(() => jest.restoreAllMocks());

const show = (rows: readonly Made[]) => {
  const shown = living(rows, 'in', 'gate', (view) => {
    jest
      .mocked(face.useRenting)
      .mockReturnValue({ view, shut: false, pack, record: view.record, language: 'en' } as unknown as ReturnType<typeof face.useRenting>);
    return <RenterStatement />;
  });
  const line = () => settle(shown.view().record, pack).statement.lines.find(({ key }) => key === LINE)!;
  return { ...shown, line };
};
const word = (text: string) => {
  fireEvent.change(screen.getByTestId('word'), { target: { value: text } });
  fireEvent.click(screen.getByTestId('word-go'));
};

describe('the renter’s copy', () => {
  it('is not there before she is walked in and signed', () => {
    show(BACK);
    expect(screen.getByText('It is made out once the boat is back, checked and signed.')).toBeTruthy();
    expect(screen.queryByTestId('bill-pdf')).toBeNull();
  });

  it('says as long as the quay still looks at something, and charges nothing for it', () => {
    show(SEALED);
    expect(screen.getByText('The quay still looks at 1 thing; it may be charged or not.')).toBeTruthy();
    expect(screen.queryByTestId(`bill-accept-${LINE}`)).toBeNull();
    expect(screen.queryByText('Nothing to settle.')).toBeNull();
  });

  it('is answered line by line: agreed, or not with a word, which nobody leaves empty', async () => {
    const { entered, line } = show(DRAFT);
    expect(screen.getByText('2 × €38.00')).toBeTruthy();
    fireEvent.click(screen.getByTestId(`bill-accept-${LINE}`));
    await waitFor(() => expect(entered).toEqual([{ kind: 'lineAnswered', line: LINE, answer: 'accepted' }]));
    fireEvent.click(screen.getByTestId(`bill-dispute-${LINE}`));
    expect(screen.getByTestId('word-go')).toBeDisabled();
    word(' They were stolen at the lock. ');
    await waitFor(() => expect(entered).toHaveLength(2));
    expect(line()).toMatchObject({ state: 'disputed', remark: 'They were stolen at the lock.' });
    expect(screen.getByText('You do not agree: it is not charged until a manager has looked.')).toBeTruthy();
    expect(screen.getByText('Stays held until it is settled')).toBeTruthy();
  });

  it('closed has its number; what was agreed is contested afterwards, once', async () => {
    const { entered } = show(CLOSED);
    expect(screen.getByText('Statement 31')).toBeTruthy();
    expect(screen.queryByTestId(`bill-accept-${LINE}`)).toBeNull();
    fireEvent.click(screen.getByText('I don’t agree after all'));
    word('One was never aboard.');
    await waitFor(() => expect(entered).toEqual([{ kind: 'lineContested', line: LINE, remark: 'One was never aboard.' }]));
    expect(screen.queryByText('I don’t agree after all')).toBeNull();
  });

  it('says what a manager made of it', () => {
    show([
      ...CLOSED,
      { kind: 'lineContested', line: LINE, remark: 'One was never aboard.' },
      {
        kind: 'corrected',
        number: 32,
        corrects: 31,
        why: 'One was not counted at departure.',
        lines: [{ line: LINE, amountMinor: -3800 }],
        statement: SHA,
      } as unknown as EventBody,
    ]);
    expect(screen.getByText('A manager has settled it.')).toBeTruthy();
    expect(screen.getAllByText('38.00').length).toBeGreaterThan(0);
  });

  it('that was waived asks for no answer', () => {
    show([...DRAFT, { kind: 'lineDecided', line: LINE, state: 'waived' }]);
    expect(screen.getByText('Waived')).toBeTruthy();
    expect(screen.queryByTestId(`bill-accept-${LINE}`)).toBeNull();
  });

  it('is kept as a file under its number, and says when there is no way to the quay for that', async () => {
    show(CLOSED);
    fireEvent.click(screen.getByTestId('bill-pdf'));
    await waitFor(() => expect(browser.saveFile).toHaveBeenCalledWith(paper, 'statement-31.pdf'));
    paper = new api.NoAnswer();
    fireEvent.click(screen.getByTestId('bill-pdf'));
    expect(await screen.findByText('For the paper there has to be a way to the quay.')).toBeTruthy();
    paper = new Blob(['%PDF']);
    fireEvent.click(screen.getByTestId('bill-pdf'));
    await waitFor(() => expect(screen.queryByText('For the paper there has to be a way to the quay.')).toBeNull());
  });
});
