import { POLICIES, POLICY_TOPICS, type PolicyTopic } from '../policy/policy';
import { bookOfDemo, demoCase } from '../testing/demoHire';
import { judge } from './judge';
import { COMPUTED_POLICIES, policyTexts } from './policyTexts';

const { book } = demoCase;
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

  it('a matter that is computed with is one that there is', () => {
    for (const topic of COMPUTED_POLICIES) expect(POLICY_TOPICS).toContain(topic);
  });
});
