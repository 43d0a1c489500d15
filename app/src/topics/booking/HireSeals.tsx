import type { HirePack } from '@quay/contract/hire';
import type { Walk } from '@quay/core/events/parts';
import { isEntered } from '@quay/core/events/record';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { Tag, type TagKind } from '../../ui/board';

type Seal = { walk: Walk; state: HirePack['seals'][number]['state'] | 'here'; aside: number };

const kindOf = ({ state, aside }: Seal): TagKind => {
  if (aside > 0) return 'ask';
  if (state === 'countersigned') return 'ok';
  return state === 'rootDiffers' || state === 'badSignature' ? 'stop' : 'ask';
};

/** What is signed of departure and return, by whom, and whether the quay has it. */
export const HireSeals = ({ view: { pack, record } }: { view: HireView }) => {
  const { t } = useTranslation();
  const seals = (['out', 'in'] as const).flatMap((walk): Seal[] => {
    const server = pack.seals.filter((seal) => seal.walk === walk).pop();
    if (server) return [{ walk, state: server.state, aside: server.aside }];
    return isEntered(record, [walk, 'sealed']) ? [{ walk, state: 'here', aside: 0 }] : [];
  });
  return seals.map((seal) => {
    const { walk, state, aside } = seal;
    const alone = state === 'countersigned' && !isEntered(record, [walk, 'signed', 'staff']);
    const words = `${t(`hire.${walk}_`)}: ${t(`hire.seal.${alone ? 'alone' : state}`)}`;
    return (
      <Tag key={walk} kind={kindOf(seal)}>
        {aside > 0 ? `${words} · ${t('repair.sealAside', { count: aside })}` : words}
      </Tag>
    );
  });
};
