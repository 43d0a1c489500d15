import type { Book, ListName } from './book';
import { isCardEnd } from './cardEnds';
import { type Condition, conditionFaults } from './condition';
import { NOT_TANKS } from './rows';
import type { FixCard, Question } from './points';

/** Something a row says that does not fit the rest of the book. */
export type RowFault = { list: ListName | undefined; id: string; path: string; reason: string };

const fixCardFaults = (card: FixCard): { path: string; reason: string }[] => {
  const ids = new Set(card.steps.map(({ id }) => id));
  const faults: { path: string; reason: string }[] = [];
  if (ids.size !== card.steps.length) faults.push({ path: 'steps', reason: 'an id is used twice' });
  for (const step of card.steps) {
    if (isCardEnd(step.id)) faults.push({ path: `steps[${step.id}]`, reason: `“${step.id}” is how a card ends, and no name of a step` });
    const ways = [...(step.answers ?? []).map(({ to }) => to), ...(step.to === undefined ? [] : [step.to])];
    for (const to of ways)
      if (!ids.has(to) && !isCardEnd(to)) faults.push({ path: `steps[${step.id}]`, reason: `leads to a step “${to}” that is not there` });
  }
  return faults;
};

const questionFaults = (questions: readonly Question[]): { path: string; reason: string }[] =>
  questions.flatMap(({ id, answers }) => {
    const right = answers.filter((answer) => answer.right).length;
    return right === 1 ? [] : [{ path: `questions[${id}].answers`, reason: `one answer is right, not ${right}` }];
  });

/** Rows that point at a station, tank, step or condition that is not there. */
export const bookFaults = (book: Book): RowFault[] => {
  const faults: RowFault[] = [];
  const add = (list: ListName, id: string, path: string, reason: string) =>
    faults.push({ list, id, path: path ? `${list}[${id}].${path}` : `${list}[${id}]`, reason });
  const stations = new Set(book.stations.map(({ id }) => id));
  for (const list of ['surfaces', 'fittings', 'gauges', 'points', 'propellers', 'checks'] as const) {
    for (const row of book[list]) if (!stations.has(row.station)) add(list, row.id, 'station', `there is no station “${row.station}”`);
  }
  const tanks = new Set(book.tanks.map(({ id }) => id));
  for (const gauge of book.gauges) {
    if (gauge.tank !== undefined && !tanks.has(gauge.tank)) add('gauges', gauge.id, 'tank', `there is no tank “${gauge.tank}”`);
    if (!(gauge.max > gauge.min)) add('gauges', gauge.id, 'max', 'must be above min');
    const tank = book.tanks.find(({ id }) => id === gauge.tank);
    if (gauge.unit === 'mm' && tank && !tank.strapping && !tank.shape)
      add('gauges', gauge.id, 'unit', `levels in mm need a strapping table or a shape of “${tank.id}”`);
    if (gauge.band && gauge.band[1] < gauge.band[0]) add('gauges', gauge.id, 'band', 'the second figure must not be below the first');
    if (gauge.reads === 'totaliser' && !tank) add('gauges', gauge.id, 'tank', 'a totaliser counts what leaves a tank: name it');
  }
  for (const { id, from, into } of book.outlets) {
    for (const [field, tank] of [
      ['from', from],
      ['into', into],
    ] as const)
      if (tank !== undefined && !tanks.has(tank) && !NOT_TANKS.includes(tank)) add('outlets', id, field, `there is no tank “${tank}”`);
  }
  for (const tank of book.tanks) {
    const rows = tank.needleTable ?? [];
    if (rows.some(([x, y], i) => i > 0 && (x <= rows[i - 1]![0] || y < rows[i - 1]![1])))
      add('tanks', tank.id, 'needleTable', 'needle must rise and volume must not fall from row to row');
    const strapped = tank.strapping ?? [];
    if (strapped.some(([mm, litres], i) => i > 0 && (mm <= strapped[i - 1]![0] || litres < strapped[i - 1]![1])))
      add('tanks', tank.id, 'strapping', 'level must rise and litres must not fall from row to row');
    else if (strapped.some(([, litres]) => litres < 0 || litres > tank.capacityL))
      add('tanks', tank.id, 'strapping', `litres must lie between 0 and what she holds, ${tank.capacityL}`);
  }
  for (const { id, jacket } of book.fittings)
    if (jacket && jacket.toKg <= jacket.fromKg) add('fittings', id, 'jacket.toKg', 'must be above fromKg');
  for (const { id, ways } of book.checks) {
    if (new Set(ways.map((way) => way.id)).size !== ways.length) add('checks', id, 'ways', 'an id is used twice');
    if (ways[0]?.price !== undefined) add('checks', id, 'ways', 'the first way is as it should be, and costs nothing');
  }
  const named = book.conditions ?? {};
  const check = (list: ListName, id: string, path: string, when: Condition | undefined) => {
    if (when) for (const fault of conditionFaults(when, path, named)) add(list, id, fault.path, fault.reason);
  };
  for (const point of book.points) {
    check('points', point.id, 'when', point.when);
    for (const { path, reason } of questionFaults(point.questions ?? [])) add('points', point.id, path, reason);
  }
  for (const card of book.fixCards) {
    check('fixCards', card.id, 'when', card.when);
    for (const step of card.steps) check('fixCards', card.id, `steps[${step.id}].when`, step.when);
    for (const { path, reason } of fixCardFaults(card)) add('fixCards', card.id, path, reason);
  }
  for (const { id, station, when } of book.drills) {
    if (station !== undefined && !stations.has(station)) add('drills', id, 'station', `there is no station “${station}”`);
    check('drills', id, 'when', when);
  }
  for (const round of book.rounds) for (const item of round.items) check('rounds', round.id, `items[${item.id}].when`, item.when);
  for (const [name, condition] of Object.entries(named))
    for (const { path, reason } of conditionFaults(condition, `conditions.${name}`, named))
      faults.push({ list: undefined, id: '', path, reason });
  return faults;
};
