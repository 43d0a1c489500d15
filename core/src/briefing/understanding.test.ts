import { dueQuestions, type Shown, understandingOf } from './understanding';
import type { Point, Question } from '../fleet/points';

const question = (id: string): Question => ({
  id,
  ask: { en: id },
  answers: [
    { id: 'a', say: { en: 'a' }, right: true },
    { id: 'b', say: { en: 'b' } },
  ],
});
const point = (id: string, ...questions: string[]): Point => ({
  id,
  station: 'bow',
  weight: 'must',
  seconds: 10,
  say: { en: id },
  questions: questions.map(question),
});
const answered = (id: string, right: boolean, at: number): Shown => ({ how: 'answered', question: id, right, at });

describe('understanding', () => {
  const gate = point('gate', 'q1', 'q2');
  it('after a wrong answer wants the point told again and then a different question', () => {
    expect(understandingOf(gate, undefined, [])).toEqual({ is: 'notTold' });
    expect(understandingOf(gate, 10, [])).toMatchObject({ is: 'ask', question: { id: 'q1' } });
    expect(understandingOf(gate, 10, [answered('q1', false, 20)])).toMatchObject({ is: 'tellAgain', question: { id: 'q2' } });
    expect(understandingOf(gate, 30, [answered('q1', false, 20)])).toMatchObject({ is: 'ask', question: { id: 'q2' } });
    expect(understandingOf(gate, 30, [answered('q1', false, 20), answered('q2', true, 40)])).toEqual({
      is: 'understood',
      how: 'answered',
      at: 40,
      tries: 2,
    });
  });
  it('with every question asked goes back to the one asked longest ago', () => {
    const shown = [answered('q2', false, 40), answered('q1', false, 20)];
    expect(understandingOf(gate, 50, shown)).toMatchObject({ is: 'ask', question: { id: 'q1' } });
  });
  it('is shown by doing as well as by answering, and a later wrong answer counts', () => {
    const handsOn = { ...gate, handsOn: true };
    expect(understandingOf(handsOn, 10, [{ how: 'demonstrated', at: 15 }])).toMatchObject({ is: 'understood', how: 'demonstrated' });
    expect(understandingOf(handsOn, 10, [{ how: 'demonstrated', at: 15 }, answered('q1', false, 20)])).toMatchObject({ is: 'tellAgain' });
    // What cannot be tried, such as somebody in the water, is asked, whoever says that it was shown.
    expect(understandingOf(gate, 10, [{ how: 'demonstrated', at: 15 }])).toMatchObject({ is: 'ask' });
    expect(understandingOf(point('plain'), 10, [])).toEqual({ is: 'noQuestion' });
  });
});

describe('when a question is due', () => {
  const briefed = (id: string, station: string, briefedAt: number | undefined, shown: Shown[] = [], ...questions: string[]) => ({
    point: point(id, ...questions),
    station,
    briefedAt,
    shown,
  });
  it('is some way after the telling, at another stop, and at the end at the latest', () => {
    const rows = [briefed('a', 'bow', 1, [], 'q'), briefed('b', 'bow', 2), briefed('c', 'bow', 3), briefed('d', 'helm', undefined)];
    expect(dueQuestions(rows, 'helm')).toEqual([]);
    rows[3]!.briefedAt = 4;
    expect(dueQuestions(rows, 'bow')).toEqual([]);
    expect(dueQuestions(rows, 'helm').map((due) => due.point.id)).toEqual(['a']);
    expect(dueQuestions(rows.slice(0, 1), undefined).map((due) => due.point.id)).toEqual(['a']);
  });
  it('is at once after a wrong answer', () => {
    expect(dueQuestions([briefed('a', 'bow', 1, [answered('q', false, 2)], 'q')], 'bow')).toMatchObject([{ state: { is: 'tellAgain' } }]);
  });
});
