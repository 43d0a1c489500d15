import { changeRules, getRules } from '@quay/contract/fleet';
import { RuleSet } from '@quay/core/party/rules';
import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Notice } from '../../ui/board';
import { Body } from '../../ui/words';
import { ABOUT_RULES } from './book/aboutRules';
import { BookEditor } from './book/BookEditor';
import { aboutListing } from './book/layerEdits';
import { plainEdits } from './book/plainEdits';
import { expertOf } from './book/expert/expert';
import { BookMissing } from './BookMissing';
import { useBook } from './useBook';

/** A set of rules: who wears a jacket and which, who may drive, who looks out. */
export const RulesPage = ({ rulesId }: { rulesId: string }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const { data, failed, fault, busy, kept, put } = useBook({
    key: ['rules', rulesId],
    get: getRules,
    change: changeRules,
    params: { rulesId },
    bodyOf: (rules: RuleSet) => ({ rules }),
    versionOf: ({ version }) => version,
    said: () => t('fleet.keptBase'),
  });
  if (!data) return <BookMissing failed={failed} />;
  const { rules, version, waters } = data;
  return (
    <BookEditor
      kept={kept}
      kind="rules"
      title={say(rules.name, i18n.language)}
      sub={t('fleet.rulesSets')}
      onBack={() => router.push('/fleet')}
      plan={undefined}
      listings={[aboutListing(ABOUT_RULES, rules, (id) => t(`fleet.about.${id as 'named'}`))]}
      originOf={() => ({ is: 'own', name: '' })}
      fault={fault}
      busy={busy}
      toTranslate={{}}
      onRight={() => undefined}
      expert={expertOf({ schema: RuleSet, value: rules, put: (next) => put({ book: next, version, before: rules }) })}
      edits={plainEdits(rules, ABOUT_RULES, (next) => put({ book: next, version, before: rules }))}
    >
      <Notice kind="ask" title={waters.length > 0 ? t('fleet.holdsOn', { waters: waters.join(', ') }) : t('fleet.holdsNowhere')}>
        <Body>{t('fleet.lawFirst')}</Body>
      </Notice>
    </BookEditor>
  );
};
