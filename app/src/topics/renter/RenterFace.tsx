import { factsFor, languageOf } from '@quay/core/briefing/ofHire';
import { policiesOf } from '@quay/core/party/ofHire';
import { Slot, useRouter } from 'expo-router';
import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { NoAnswer, Refused } from '../../local/api';
import type { Facts } from '@quay/core/fleet/condition';
import { caseOf, useBriefing } from '../../local/handover';
import { type HireView, useHire } from '../../local/hire';
import { exchange, hireInHand } from '../../local/renter';
import { useDelivery } from '../../local/useDelivery';
import { askToPersist, readFragment, startServiceWorker } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';
import { speakTheirs } from './language';

type Opened = { is: 'opening' } | { is: 'open'; hireId: string; ended: boolean } | { is: 'nothing' | 'wait' | 'noAnswer' };

/** The link in the address, else the hire this phone had in hand. */
const openUp = async (): Promise<Opened> => {
  const token = readFragment();
  const inHand = hireInHand();
  if (token === '') return inHand === undefined ? { is: 'nothing' } : { is: 'open', hireId: inHand, ended: false };
  try {
    const hireId = await exchange(token);
    return { is: 'open', hireId, ended: false };
  } catch (error) {
    if (error instanceof NoAnswer) return inHand === undefined ? { is: 'noAnswer' } : { is: 'open', hireId: inHand, ended: false };
    if (!(error instanceof Refused)) throw error;
    return { is: error.problem.status === 429 ? 'wait' : 'nothing' };
  }
};

const Renting = createContext<{ view: HireView; shut: boolean } | undefined>(undefined);

/** The hire in hand, with everything a page of the renter's needs. Pages are only drawn once it is there. */
export const useRenting = () => {
  const inHand = useContext(Renting);
  if (!inHand) throw new Error('no hire is in hand');
  const { view, shut } = inHand;
  const { i18n } = useTranslation();
  const briefing = useBriefing(view);
  // How this hire is handed over, whatever the operator's usual way is: nobody takes a line where nobody is.
  const facts: Facts = { ...factsFor(view.record, caseOf(view)), 'policy.handover': view.pack.hire.handover };
  return { view, shut, pack: view.pack, record: view.record, briefing, facts, policies: policiesOf(view.pack), language: i18n.language };
};

/** Opens the link, fetches the hire, keeps the outbox going; every page lies inside. */
export const RenterFace = () => {
  const router = useRouter();
  const [opened, setOpened] = useState<Opened>({ is: 'opening' });
  const [spoken, setSpoken] = useState(false);
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    void startServiceWorker('renter');
    const fail = (error: Error) => setFailed(error);
    void speakTheirs(undefined)
      .then(() => setSpoken(true))
      .catch(fail);
    void openUp()
      .then((found) => {
        setOpened(found);
        // The link's secret stands in the address and in the history no longer than it is needed.
        if (found.is === 'open' && readFragment() !== '') router.replace('/r');
      })
      .catch(fail);
  }, [router]);
  if (failed) throw failed;
  if (!spoken || opened.is === 'opening') return null;
  if (opened.is !== 'open') return <Nothing why={opened.is} />;
  return <Hand hireId={opened.hireId} />;
};

const Nothing = ({ why }: { why: 'nothing' | 'wait' | 'noAnswer' }) => {
  const { t } = useTranslation();
  return (
    <Screen title="Jolly Quay" measure={640}>
      <View style={{ padding: 16 }}>
        <Notice kind="ask" title={why === 'nothing' ? t('r.nothing') : t(why === 'wait' ? 'r.wait' : 'r.noAnswer')}>
          {why === 'nothing' ? <Body>{t('r.nothingWhy')}</Body> : null}
        </Notice>
      </View>
    </Screen>
  );
};

const Hand = ({ hireId }: { hireId: string }) => {
  const { t } = useTranslation();
  const { view, error, shut } = useHire(hireId);
  const inHand = useMemo(() => view && { view, shut }, [view, shut]);
  useDelivery(true);
  useEffect(() => {
    void askToPersist();
  }, []);
  const booked = view && languageOf(view.record, view.pack.hire);
  useEffect(() => {
    if (booked !== undefined) void speakTheirs(booked);
  }, [booked]);
  if (inHand) {
    return (
      <Renting.Provider value={inHand}>
        <Slot />
      </Renting.Provider>
    );
  }
  if (error instanceof Refused) return <Nothing why="nothing" />;
  if (error) return <Nothing why="noAnswer" />;
  return (
    <Screen title="Jolly Quay" measure={640}>
      <View style={{ padding: 16 }}>
        <Body>{t('r.loading')}</Body>
      </View>
    </Screen>
  );
};
