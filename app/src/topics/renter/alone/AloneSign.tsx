import { say } from '@quay/core/words/words';
import { picturesWanted } from '@quay/core/castOff/alone';
import { commit } from '@quay/core/events/canonical';
import type { Walk } from '@quay/core/events/parts';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { SignForm } from '../../walk/SignForm';
import { useWalk } from '../../../local/useWalk';
import { useRenting } from '../RenterFace';
import { useStopWords } from '../../../i18n/stopWords';

/** The renter reads back what they entered and signs it alone; nobody of the quay has seen it yet, and the record says so. */
export const AloneSign = ({ walk }: { walk: Walk }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { pack } = useRenting();
  const { ready: view } = useWalk(pack.hire.id, walk, true);
  if (!useStopWords() || !view) return null;
  const wanted = picturesWanted(view.record, pack.book, walk);
  const names = pack.book.surfaces.filter(({ id }) => wanted.includes(id)).map(({ name }) => say(name, view.language));
  return (
    <SignForm
      view={view}
      signers={[{ as: 'renter', title: `${t('sign.renter')}: ${pack.hire.renter}`, commitment: commit(pack.signerSalt, 'renter') }]}
      languages={[view.language]}
      stop={view.away && walk === 'out' ? t('away.title') : names.length > 0 ? t('alone.pictures', { names: names.join(', ') }) : undefined}
      onBack={() => router.push(`/r/alone/walk/${walk}`)}
      onSealed={() => router.replace('/r/alone')}
    />
  );
};
