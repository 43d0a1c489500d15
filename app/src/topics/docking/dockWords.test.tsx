import { renderHook } from '@testing-library/react';
import { conditionsOf, type Place } from '@quay/core/docking/place';
import { planFor } from '@quay/core/docking/planFor';
import { BERTH_KINDS } from '@quay/core/fleet/base';
import { HULL_KINDS, hullOf } from '@quay/core/testing/hulls';
import { i18n } from '../../i18n';
import { de } from '../../i18n/stop/de';
import { en } from '../../i18n/stop/en';
import { es } from '../../i18n/stop/es';
import { fr } from '../../i18n/stop/fr';
import { chartOf } from './chart';
import { ACTS, metres, useDockWords } from './dockWords';

const LANGUAGES = { en, fr, de, es };

/** Sentences of every act at every kind of place for every kind of hull, in winds all round the rose. */
const spoken = (): { asked: number; said: string[] } => {
  const { result } = renderHook(useDockWords);
  const words = result.current;
  const said: string[] = [];
  let asked = 0;
  for (const kind of BERTH_KINDS)
    for (const hullKind of HULL_KINDS)
      for (const act of ACTS)
        for (let from = 0; from < 360; from += 40) {
          const berth: Place = {
            kind,
            headingDeg: 0,
            side: from % 80 === 0 ? 'port' : 'starboard',
            depthM: 1,
            tidal: from % 120 === 0,
            rangeM: 2,
          };
          const { now } = conditionsOf(
            { windFromDeg: from, windMs: from / 40, currentToDeg: from, currentMs: from / 2000, waterM: 1 },
            berth,
          );
          const plan = planFor(act, { hull: hullOf(hullKind), berth, now, policies: { bowAnchoringOnly: 'exceptCrowdedDock' } });
          asked += 1;
          said.push(
            ...(plan.ok
              ? [
                  words.head(plan),
                  words.set(plan),
                  ...plan.steps.map(words.step),
                  ...plan.lines.map(words.line),
                  ...(plan.act === 'arrive' ? [words.step(plan.wayOut)] : []),
                ]
              : [words.no(plan)]),
          );
        }
  return { asked, said };
};

describe.each(['en', 'fr', 'de', 'es'] as const)('a plan in %s', (language) => {
  it('is sentences, whatever the place, the hull and the wind: no word is missing and none is left to be filled in', async () => {
    i18n.addResourceBundle(language, 'translation', LANGUAGES[language], true);
    await i18n.changeLanguage(language);
    const { asked, said } = spoken();
    expect(said.length).toBeGreaterThan(asked * 3);
    const odd = said.filter(
      (text) => text === '' || /\{\{|\b0 m\b|dock\.[a-z]|undefined|NaN|Infinity| {2}| [.,]/.test(text) || text !== text.trim(),
    );
    expect([...new Set(odd)]).toEqual([]);
  });
});

describe('metres', () => {
  it('are whole ones from ten on, halves below', () => {
    expect([13.6, 10, 9.74, 1.2, 0.2].map(metres)).toEqual(['14 m', '10 m', '9.5 m', '1 m', '0 m']);
  });
});

describe('the chart', () => {
  it('shows every point within its margins, the way she lies up, at one scale both ways', () => {
    for (let up = 0; up < 360; up += 30) {
      const points = [
        [0, 0],
        [40, 3],
        [-7, 22],
      ] as const;
      const chart = chartOf(points, up, 390, 340, 26);
      for (const point of points) {
        const [x, y] = chart.at(point);
        expect(x >= 25.9 && x <= 364.1 && y >= 25.9 && y <= 314.1).toBe(true);
      }
      // Ten metres along the way she lies are ten metres up the drawing.
      const [[x1, y1], [x2, y2]] = [chart.at([0, 0]), chart.at([10 * Math.cos((up * Math.PI) / 180), 10 * Math.sin((up * Math.PI) / 180)])];
      expect([x2 - x1, y1 - y2].map((v) => Math.round(v * 1e6) / 1e6)).toEqual([0, Math.round(10 * chart.scale * 1e6) / 1e6]);
    }
  });
});
