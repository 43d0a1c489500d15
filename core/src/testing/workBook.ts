import type { Book } from '../fleet/book';

/** A small boat with one thing of each sort that a turnaround is about. */
export const bookOfWork: Book = {
  kind: 'pontoon',
  plan: { lengthM: 7, beamM: 2.5, strokes: [{ draw: 'box', at: [0, -1], size: [7, 2] }] },
  plate: { people: 10, loadKg: 800 },
  outlets: [],
  drills: [],
  checks: [
    {
      id: 'rubbish',
      station: 'bow',
      name: { en: 'Rubbish' },
      ways: [
        { id: 'gone', name: { en: 'gone' } },
        { id: 'left', name: { en: 'left aboard' }, price: 'clean' },
      ],
    },
  ],
  places: [],
  fixCards: [],
  rounds: [],
  points: [],
  propellers: [],
  engine: { kind: 'outboard', burnLPerHour: 10 },
  stations: [
    { id: 'bow', name: { en: 'Bow' }, at: [6, 0] },
    { id: 'stern', name: { en: 'Stern' }, at: [0.5, 0] },
  ],
  surfaces: [{ id: 'side', station: 'bow', name: { en: 'Side' }, widthM: 8, heightM: 1, strokes: [], stuff: 'aluminium' }],
  tanks: [{ id: 'waste', name: { en: 'Waste' }, holds: 'waste', capacityL: 60 }],
  gauges: [{ id: 'wasteLevel', station: 'stern', name: { en: 'Waste' }, reads: 'percent', tank: 'waste', min: 0, max: 100, unit: '%' }],
  fittings: [
    { id: 'ring', station: 'bow', name: { en: 'Life ring' }, kind: 'withinReach', count: 1, safety: true },
    { id: 'bags', station: 'bow', name: { en: 'Bin bags' }, kind: 'consumable', count: 6 },
  ],
};
