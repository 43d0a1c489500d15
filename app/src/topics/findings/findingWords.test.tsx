import { screen } from '@testing-library/react';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import { findingsOfHire, settle } from '@quay/core/settlement/settle';
import { Text } from 'react-native';
import '../../i18n';
import { counted as count, heldOf, pack, viewOf } from '../../testing/view';
import { useEntryWords } from '../record/entryWords';
import { choices } from './decisions';
import { useFindingWords } from './findingWords';
import { render } from '../../testing/render';

const read = (walk: Walk, gauge: string, shown: number): EventBody => ({ kind: 'gaugeRead', walk, gauge, shown });
const mark = (walk: Walk, id: string, x: number): EventBody => ({
  kind: 'markPlaced',
  walk,
  mark: { id, surface: 'port-side', x, y: 0.5, kind: 'scratch', sizeMm: 60, photos: [] },
});
const told: EventBody = {
  kind: 'pointBriefed',
  walk: 'out',
  point: pack.book.points.find(({ price }) => price === 'fender')!.id,
  how: 'said',
  language: 'en',
};

const EVENTS = heldOf([
  told,
  count('out', 'fenders', 4),
  mark('out', 'old', 0.2),
  read('out', 'fuel-needle', 1),
  read('out', 'fuel-sight', 94),
  read('out', 'hours', 1240),
  count('in', 'fenders', 3),
  mark('in', 'again', 0.21),
  mark('in', 'fresh', 0.7),
  read('in', 'fuel-needle', 0.6),
  read('in', 'fuel-sight', 57),
  read('in', 'hours', 1243.5),
  { kind: 'findingDecided', finding: 'count/fenders', decision: 'renters' },
  { kind: 'cameIn' },
]);

const Findings = () => {
  const { record } = viewOf(EVENTS, 'in', 'bow').view;
  const { findings, statement } = settle(record, pack);
  const words = useFindingWords(pack);
  return findings.map((finding) => {
    const w = words(
      finding,
      statement.lines.find(({ key }) => key === finding.key),
    );
    return <Text key={finding.key} testID={finding.key}>{`${w.what} | ${w.out} | ${w.in} | ${w.is} | ${w.why} | ${w.price}`}</Text>;
  });
};
const wordsOf = (key: string) => screen.getByTestId(key).textContent;

it('puts every finding in words: what, out, in, what it is, why, what it costs', () => {
  render(<Findings />);
  expect(wordsOf('count/fenders')).toBe('Fenders | 4 | 3 | missing · renter pays | explained at departure | Fender €38.00');
  expect(wordsOf('mark/again')).toBe('scratch, Left side (port) | 60 mm | 60 mm | known | same place, same kind of size | ');
  expect(wordsOf('mark/fresh')).toMatch(/^scratch, Left side \(port\) \| none \| 60 mm \| new \| nearest known mark 3\.7 m away \| /);
  expect(wordsOf('fuel/petrol')).toMatch(
    /^Fuel, Petrol \| \d+ ± \d+ L \| \d+ ± \d+ L \| \d+ to \d+ L used \| the lower end is charged \| Petrol €\d+\.\d\d$/,
  );
  expect(wordsOf('hours')).toContain('3.5 h run');
  expect(wordsOf('late')).toContain('in time');
});

it('offers the decisions that make sense of a finding', () => {
  const { record } = viewOf(EVENTS, 'in', 'bow').view;
  const of = (key: string) => choices(findingsOfHire(record, pack).find((one) => one.key === key)!);
  expect(of('mark/fresh')).toEqual(['known', 'wear', 'askManager', 'notDamage', 'renters']);
  expect(of('mark/again')).toEqual([]);
  expect(of('count/fenders')).toContain('found');
  expect(of('fuel/petrol')).toEqual([]);
});

const Entry = ({ body }: { body: EventBody }) => <Text testID="entry">{useEntryWords(pack)(body)}</Text>;
it.each<[EventBody, string]>([
  [count('out', 'fenders', 3), 'Fenders: 3'],
  [{ ...count('out', 'fenders', 3), state: 'damaged' } as EventBody, 'Fenders: 3, broken'],
  [read('out', 'fuel-needle', 0.75), 'Fuel needle: 12/16'],
  [read('out', 'volts', 12.64), 'Battery: 12.6 V'],
  [mark('out', 'a', 0.3), 'scratch 60 mm, Left side (port)'],
  [{ kind: 'stationCompleted', walk: 'out', station: 'bow' }, 'Bow: done'],
  [{ kind: 'boatHeld', why: 'fog' }, 'Boat held: fog'],
  [{ kind: 'fuelFilled', tank: 'petrol', litres: 12.5, brim: true, by: 'operator' }, 'Filled at the quay: 12.5 L'],
  [{ kind: 'holdOverridden', matter: 'propeller/prop/9', why: 'filed smooth' }, 'A manager let the boat go: filed smooth'],
  [{ kind: 'depositAnswered', attempt: 'a', amountMinor: 25_000, answer: 'unknown' }, 'Deposit asked for, no answer yet: €250.00'],
  [{ kind: 'brimmed', walk: 'out', tank: 'petrol', meteredL: 31.5 }, 'Petrol: filled to the brim, 31.5 L'],
  [{ kind: 'conflictResolved', subject: ['out', 'count', 'fenders'], stands: EVENTS[0]!.event.id }, 'Conflict resolved'],
  [{ kind: 'counted', walk: 'out', fitting: 'gone-from-the-book', count: 1, state: 'fine' }, 'gone-from-the-book: 1'],
])('an entry of the record in a few words: %#', (body, words) => {
  render(<Entry body={body} />);
  expect(screen.getByTestId('entry')).toHaveTextContent(words);
});
