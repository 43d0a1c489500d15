import { peopleOf } from '@quay/core/party/ofHire';
import { isEntered } from '@quay/core/events/record';
import { unattended } from '@quay/core/policy/policy';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Notice } from '../../ui/board';
import { useSnack } from '../../ui/controls/snack';
import { PartyForm } from '../party/partyFormLater';
import { keepParty } from '../party/useParty';
import { Page } from './Page';
import { useRenting } from './RenterFace';

/** Who is aboard, entered at home. Once a walk with the hand has begun it is the quay's; who walks alone may until they have signed. */
export const PartyPage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const { view, pack, record } = useRenting();
  const { hire } = pack;
  const begun = isEntered(record, ['out', unattended(hire.handover, 'out') ? 'sealed' : 'started']);
  return (
    <Page title={t('r.party')}>
      {begun ? (
        <Notice kind="ask" title={t('r.partyClosed')} />
      ) : (
        <PartyForm
          people={peopleOf(record, view.sheets)}
          booked={hire.party.adults + hire.party.children}
          rules={pack.rules}
          plate={pack.book.plate.people}
          draftName={`party:${hire.id}`}
          onKeep={async (people) => {
            const stored = await keepParty(view, people, pack.rules);
            snack({ text: t('party.kept'), undo: () => void view.undo(stored) });
            router.push('/r');
          }}
        />
      )}
    </Page>
  );
};
