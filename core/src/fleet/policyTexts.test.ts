import { POLICIES, POLICY_TOPICS, type PolicyTopic } from '../policy/policy';
import { bookOfDemo, demoCase } from '../testing/demoHire';
import { judge } from './judge';
import { COMPUTED_POLICIES, policyTexts } from './policyTexts';

const { book } = demoCase;
/** Boats of the demo operator, each with the classes she comes from. */
const DEMO_BOATS = [
  ['tuppenny-bun', 'any-boat', 'pontoon-7'],
  ['copper-kettle', 'any-boat', 'live-aboard', 'canal-12'],
  ['slow-custard', 'any-boat', 'live-aboard', 'houseboat-14'],
  ['half-past-heron', 'any-boat', 'live-aboard', 'cruiser-10'],
] as const;
const canal = bookOfDemo('copper-kettle', 'any-boat', 'live-aboard', 'canal-12');

describe('what a policy changes in the books', () => {
  it('is what its conditions say, judged option by option', () => {
    const texts = policyTexts([
      { name: 'Bun', book },
      { name: 'Kettle', book: canal },
    ]);
    const leaves = [book, canal]
      .flatMap((one) => one.points)
      .filter(({ when }) => when && 'fact' in when && when.fact.startsWith('policy.'));
    expect(leaves.length).toBeGreaterThan(2);
    for (const { when, say } of leaves) {
      if (!when || !('fact' in when)) continue;
      const topic = when.fact.slice('policy.'.length) as PolicyTopic;
      for (const option of POLICIES[topic]) {
        const holds = judge(when, { [when.fact]: option }) === 'yes';
        expect([say.en, option, (texts[topic]?.[option] ?? []).some((one) => one.say.en === say.en)]).toEqual([say.en, option, holds]);
      }
    }
  });

  it('names each text once with its boats, through named conditions and the other way round', () => {
    const when = { all: [{ named: 'shallow' }, { fact: 'party.people', atLeast: 2 }] };
    const point = { ...book.points[0]!, id: 'x', say: { en: 'Keep off the trees.' }, when };
    const other = { ...book, conditions: { shallow: { not: { fact: 'policy.trees', is: 'yes' } } }, points: [point] };
    const texts = policyTexts([
      { name: 'A', book: other },
      { name: 'B', book: other },
    ]);
    expect(texts.trees).toMatchObject({ never: [{ say: { en: 'Keep off the trees.' }, boats: ['A', 'B'] }] });
    expect(texts.trees!.yes).toBeUndefined();
  });

  it('no option of a policy does nothing that another does not', () => {
    const shipped = DEMO_BOATS.map(([boat, ...classes]) => ({ name: boat, book: bookOfDemo(boat, ...classes) }));
    const texts = policyTexts(shipped);
    const same = POLICY_TOPICS.filter((topic) => !COMPUTED_POLICIES.includes(topic)).flatMap((topic) =>
      POLICIES[topic].flatMap((option, i) =>
        POLICIES[topic].slice(0, i).flatMap((other) => {
          const said = (one: string) => (texts[topic]?.[one] ?? []).map(({ say }) => say.en).sort();
          return JSON.stringify(said(option)) === JSON.stringify(said(other)) ? [`${topic}: ${other} = ${option}`] : [];
        }),
      ),
    );
    expect(same).toEqual([]);
  });

  it('a matter that is computed with is one that there is', () => {
    for (const topic of COMPUTED_POLICIES) expect(POLICY_TOPICS).toContain(topic);
  });
});
