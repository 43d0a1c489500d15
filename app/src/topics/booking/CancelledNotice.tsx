import { reinstateHire } from '@quay/contract/change';
import { cancelling } from '@quay/core/booking/events';
import { happenedAt } from '@quay/core/events/stored';
import { depositOf } from '@quay/core/settlement/deposit';
import { useTranslation } from 'react-i18next';
import { call } from '../../local/api';
import type { HireView } from '../../local/hire';
import { Notice } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Button } from '../../ui/controls/button';
import { useMoney } from '../../ui/controls/money';
import { whenOf } from '../../ui/format';
import { Body } from '../../ui/words';
import { useHireChange } from './change/useHireChange';

/** That a hire does not take place, why and since when; the way back, and what is still held of its deposit. */
export const CancelledNotice = ({ view, onDeposit }: { view: HireView; onDeposit: () => void }) => {
  const { t, i18n } = useTranslation();
  const now = useNow();
  const { hire, base, prices } = view.pack;
  const money = useMoney(prices.currency);
  const { fault, tight, busy, send } = useHireChange(hire);
  const said = cancelling(view.record);
  if (!said) return null;
  const { heldMinor } = depositOf(view.record, hire.depositMinor);
  const when = whenOf(new Date(happenedAt(said.by)).toISOString(), base.zone, now, i18n.language);
  return (
    <Notice kind="stop" title={t('change.isCancelled', { when, who: said.by.event.body.by, why: t(`log.reason.${said.why}`) })}>
      {said.note === undefined ? null : <Body>{said.note}</Body>}
      {heldMinor > 0 ? (
        <>
          <Body>{t('change.cancelDeposit', { sum: money(heldMinor) })}</Body>
          <Button
            mode="outlined"
            label={t('deposit.see')}
            onPress={onDeposit}
            style={{ alignSelf: 'flex-start' }}
            testID="deposit-release"
          />
        </>
      ) : null}
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {tight ? <Notice kind="ask" title={tight.words} /> : null}
      <Button
        mode="outlined"
        label={t(tight ? 'change.insist' : 'hire.do.cancelled')}
        busy={busy}
        onPress={() => void send(({ about, insist }) => call(reinstateHire, { ...about, body: insist }), t('change.reinstated'))}
        style={{ alignSelf: 'flex-start' }}
        testID="reinstate"
      />
    </Notice>
  );
};
