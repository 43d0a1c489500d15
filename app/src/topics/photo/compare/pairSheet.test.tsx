import type { Learnt } from '@quay/contract/compare';
import { USUALLY_SHOWN_FROM } from '@quay/core/condition/shownFrom';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import '../../../i18n';
import * as api from '../../../local/api';
import * as session from '../../../local/session';
import { living } from '../../../testing/living';
import { PairSheet } from './PairSheet';

jest.mock('../../../platform/pair', () => ({ ...jest.requireActual<object>('../../../platform/pair'), PairView: () => null }));

const BACK = 'b'.repeat(64);
const box = (x: number, strength: number) => ({ x, y: 0.2, width: 0.05, height: 0.05, strength });
const BOXES = [box(0.1, 0.9), box(0.3, 0.5), box(0.5, 0.15), box(0.7, 0.05)];
const NONE: Learnt = { shownFrom: USUALLY_SHOWN_FROM, flaws: 0, nothing: 0, forgotten: 0 };

const asked: { what: string; body: unknown }[] = [];
beforeEach(() => {
  asked.length = 0;
  jest.spyOn(api, 'call').mockImplementation(((endpoint: { name: string }, { body }: { body?: unknown } = {}) => {
    asked.push({ what: endpoint.name, body });
    return Promise.resolve(NONE);
  }) as unknown as typeof api.call);
});
afterEach(() => jest.restoreAllMocks());

const show = (learnt: Learnt, role: 'hand' | 'manager' = 'hand', boxes = BOXES) => {
  jest.spyOn(session, 'useMe').mockReturnValue({ data: { staff: { role } } } as unknown as ReturnType<typeof session.useMe>);
  const comparison = { surface: 'port-side', out: 'a'.repeat(64), back: BACK, state: 'done' as const, reason: null, boxes, learnt };
  return living([], 'in', 'gate', (view) => (
    <PairSheet view={view} comparison={comparison} onMark={() => undefined} onClose={() => undefined} />
  ));
};
const boxesSeen = () => screen.queryAllByTestId(/^box-\d+$/).length;

it('boxes what is likely enough, and goes down the ranking as far as somebody asks', async () => {
  show(NONE);
  expect(await screen.findByText('The machine sees 2 differences.')).toBeTruthy();
  expect(boxesSeen()).toBe(2);
  fireEvent.change(screen.getByTestId('fainter'), { target: { value: '1' } });
  expect(boxesSeen()).toBe(3);
  expect(screen.getByTestId('box-3').getAttribute('aria-label')).toBe('Fainter difference 3, 15 % likely');
  fireEvent.change(screen.getByTestId('fainter'), { target: { value: '2' } });
  expect(boxesSeen()).toBe(4);
  fireEvent.change(screen.getByTestId('fainter'), { target: { value: '0' } });
  expect(boxesSeen()).toBe(2);
});

it('boxes less where boxes of a surface turned out to be nothing, and says why', async () => {
  show({ shownFrom: 0.6, flaws: 1, nothing: 9, forgotten: 0 });
  expect(await screen.findByText('The machine sees 1 difference.')).toBeTruthy();
  expect(boxesSeen()).toBe(1);
  expect(screen.getByTestId('learnt').textContent).toContain('from 60 % likely on; without that it would be 23 %');
  expect(screen.queryByTestId('forget')).toBeNull();
});

it('lets a manager take back what was learnt, and take that back', async () => {
  show({ shownFrom: 0.6, flaws: 1, nothing: 9, forgotten: 2 }, 'manager');
  fireEvent.click(await screen.findByTestId('forget'));
  await waitFor(() => expect(asked).toContainEqual({ what: 'changeLearnt', body: { do: 'forget' } }));
  fireEvent.click(screen.getByTestId('recall'));
  await waitFor(() => expect(asked).toContainEqual({ what: 'changeLearnt', body: { do: 'recall' } }));
});

it('has nothing fainter to show where there is nothing', async () => {
  show(NONE, 'hand', []);
  expect(await screen.findByText('The machine sees nothing new here.')).toBeTruthy();
  expect(screen.queryByTestId('fainter')).toBeNull();
});
