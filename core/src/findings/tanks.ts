import { type Finding, type BaseFields } from './finding';
import { fillsOf, fuelOf, fuelTanks, PUMP_OVER, shownLevel } from '../fuel/readings';
import { type HireRecord } from '../events/record';
import type { Book } from '../fleet/book';

export const tankFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  fuelTanks(book).map((tank): Finding => {
    const fuel = fuelOf(record, book, tank);
    const brims = fillsOf(record, tank.id, 'operator').filter(({ brim }) => brim);
    const renters = fillsOf(record, tank.id, 'renter');
    // The meter settles alone only from brim to brim: she left full and was filled to the brim at return.
    const receipts = renters.filter(({ paidMinor }) => paidMinor !== undefined);
    const leftFull = fuel !== undefined && fuel.out.value + fuel.out.sd >= 0.97 * tank.capacityL;
    return {
      ...base(`fuel/${tank.id}`),
      chargeable: true,
      topic: 'fuel',
      tank,
      is: fuel?.used ? 'used' : 'notRead',
      fuel,
      meteredL: brims.length > 0 && leftFull ? brims.reduce((sum, { litres }) => sum + litres, 0) : undefined,
      filledL: renters.reduce((sum, { litres }) => sum + litres, 0),
      paid: {
        litres: receipts.reduce((sum, { litres }) => sum + litres, 0),
        minor: receipts.reduce((sum, { paidMinor }) => sum + (paidMinor ?? 0), 0),
      },
      onTheirWord: renters.some(({ byRenter }) => byRenter),
      photos: renters.flatMap(({ photos }) => photos),
    };
  });

/** To be pumped out and fuller by so much than she left, a tank of waste is the renter's to empty where the operator says so. */
const FULLER_BY = 0.1;

export const wasteFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  book.tanks.flatMap((tank): Finding[] => {
    if (tank.holds !== 'waste') return [];
    const [outL, inL] = [shownLevel(record, book, tank, 'out'), shownLevel(record, book, tank, 'in')];
    if (inL === undefined || inL <= PUMP_OVER * tank.capacityL || inL - (outL ?? inL) < FULLER_BY * tank.capacityL) return [];
    return [{ ...base(`tank/${tank.id}`), chargeable: true, topic: 'tank', tank, is: 'fuller', outL, inL }];
  });
