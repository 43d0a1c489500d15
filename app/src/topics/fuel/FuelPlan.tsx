import { fuelPlans } from '@quay/core/castOff/fuelPlan';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { caseOf } from '../../local/handover';
import type { HireView } from '../../local/hire';
import { figure, spanOf } from '../../ui/format';
import { useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Bold, Small } from '../../ui/words';

/** How far what is in the tank goes, as it is told: surely and likely, when to turn back, and whether it does for the plan. */
export const FuelPlan = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const tones = useTones();
  return fuelPlans(view.record, caseOf(view)).map(({ tank, lasts, plan, hours }) =>
    lasts && plan ? (
      <View
        key={tank.id}
        style={{ borderRadius: 10, backgroundColor: plan.enough ? tones.primaryPale : tones.dangerPale, padding: 10, gap: 3 }}
        testID={`fuel-plan-${tank.id}`}
      >
        <Bold>
          {t('walk.planLine', {
            surely: spanOf(lasts.surelyH * 60),
            likely: spanOf(lasts.likelyH * 60),
            third: spanOf(lasts.turnAfterH * 60),
          })}
        </Bold>
        <Small tone="ink">
          {t(plan.enough ? 'walk.planNeed' : 'walk.planShort', {
            hours: figure(hours),
            need: measures().litres(Math.ceil(plan.needL)),
            may: measures().litres(Math.floor(plan.mayUseL)),
          })}
        </Small>
      </View>
    ) : null,
  );
};
