import { signRefused } from '@quay/core/walk/events';
import { currentOf } from '@quay/core/events/record';
import { commit } from '@quay/core/events/canonical';
import type { Walk } from '@quay/core/events/parts';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useMe } from '../../local/session';
import { Notice } from '../../ui/board';
import { BriefingSummary } from '../briefing/BriefingSummary';
import { Button } from '../../ui/controls/button';
import { WordSheet } from '../settlement/WordSheet';
import { HireMissing } from '../record/HireMissing';
import { heldByRecord, useCastOff } from '../castOff/useCastOff';
import { type Signer, SignForm } from './SignForm';
import { useWalk, type WalkView } from '../../local/useWalk';

export const Sign = ({ hireId, walk }: { hireId: string; walk: Walk }) => {
  const { ready, error, refetch } = useWalk(hireId, walk);
  return ready ? <Signing view={ready} hireId={hireId} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** Renter and hand sign together, on the hand's phone. */
const Signing = ({ view, hireId }: { view: WalkView; hireId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const me = useMe().data;
  const { pack, walk } = view;
  const [refusing, setRefusing] = useState(false);
  const isHeld = heldByRecord(useCastOff(view)).length > 0;
  // Nobody is made to sign a return; that they did not, and why, is in the record instead.
  const refused = walk === 'in' ? currentOf(view.record, ['in', 'refused'], signRefused) : undefined;
  const signers: Signer[] = [
    ...(refused
      ? []
      : [{ as: 'renter' as const, title: `${t('sign.renter')}: ${pack.hire.renter}`, commitment: commit(pack.signerSalt, 'renter') }]),
    ...(me
      ? [{ as: 'staff' as const, title: `${t('sign.staff')}: ${me.staff.name}`, commitment: commit(pack.signerSalt, me.staff.id) }]
      : []),
  ];
  return (
    <SignForm
      view={view}
      signers={signers}
      languages={[...new Set([view.theirs, view.language])]}
      stop={walk === 'out' && view.away ? t('away.title') : undefined}
      above={
        <>
          {isHeld ? <Notice kind="stop" title={t('sign.heldStill')} /> : null}
          {walk === 'out' ? <BriefingSummary view={view} /> : null}
          {refused ? (
            <Notice
              kind="ask"
              title={t('sign.refused', { why: refused.value.why })}
              action={
                <Button
                  mode="outlined"
                  label={t('sign.signsAfterAll')}
                  onPress={() => void view.undo(refused.currentEvents)}
                  testID="signs-after-all"
                />
              }
            />
          ) : walk === 'in' && !view.sealed ? (
            <Button
              mode="outlined"
              label={t('sign.refuse')}
              onPress={() => setRefusing(true)}
              style={{ alignSelf: 'flex-start' }}
              testID="refuse"
            />
          ) : null}
          {refusing ? (
            <WordSheet
              title={t('sign.refuse')}
              label={t('sign.refuseWhy')}
              go={t('sign.refuse')}
              onGo={(why) => {
                setRefusing(false);
                void view.enter([{ kind: 'signRefused', walk, why: why.slice(0, 500) }]);
              }}
              onClose={() => setRefusing(false)}
            />
          ) : null}
        </>
      }
      onBack={() => router.push(`/hire/${hireId}/walk/${walk}`)}
      onSealed={() => (walk === 'out' ? router.replace(`/hire/${hireId}`) : router.replace(`/hire/${hireId}/compare`))}
    />
  );
};
