import type { Finding } from '../findings/finding';
import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { evidenceOf } from './evidence';

const name = (letter: string) => letter.repeat(64);
const mark = (id: string, photos: string[]) => ({ id, surface: 'port', x: 0.5, y: 0.5, kind: 'scratch' as const, sizeMm: 90, photos });
const looked = (walk: 'out' | 'in', ...photos: string[]): EventBody => ({ kind: 'surfaceSeen', walk, surface: 'port', photos });
const placed = (walk: 'out' | 'in', id: string, ...photos: string[]): EventBody => ({ kind: 'markPlaced', walk, mark: mark(id, photos) });
const found = (of: { out?: string; in?: string }): Finding =>
  ({
    topic: 'mark',
    key: 'mark/m',
    surface: { id: 'port' },
    out: of.out && mark(of.out, []),
    in: of.in && mark(of.in, []),
  }) as unknown as Finding;

it('puts the newest picture of the side going out beside the picture of the mark coming back', () => {
  const record = recordOf(looked('out', name('a'), name('b')), looked('in', name('c')), placed('in', 'm', name('d')));
  const { out, in: back } = evidenceOf(record, found({ in: 'm' }))!;
  expect([out?.sha, back?.sha]).toEqual([name('b'), name('d')]);
  expect(Date.parse(back!.at)).toBeGreaterThan(Date.parse(out!.at));
});

it('takes the mark’s own picture of departure before the side’s, and the side’s where the mark has none', () => {
  const record = recordOf(looked('out', name('a')), placed('out', 'k', name('b')), looked('in', name('c')), placed('in', 'm'));
  const { out, in: back } = evidenceOf(record, found({ out: 'k', in: 'm' }))!;
  expect([out?.sha, back?.sha]).toEqual([name('b'), name('c')]);
});

it('says that there is none of a walk without pictures, and nothing at all of what no picture shows', () => {
  expect(evidenceOf(recordOf(placed('in', 'm', name('d'))), found({ in: 'm' }))).toMatchObject({ out: undefined, in: { sha: name('d') } });
  expect(evidenceOf(recordOf(), { topic: 'late', key: 'late' } as Finding)).toBeUndefined();
});
