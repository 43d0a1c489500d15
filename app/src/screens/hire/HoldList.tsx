import { say } from '@quay/core/fleet/words';
import type { Held } from '@quay/core/record/held';
import { peopleOf } from '@quay/core/record/handing';
import { slotsUnder } from '@quay/core/record/project';
import { type Hold, propellerRelease } from '@quay/core/record/walk';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../data/hire';
import { useMe } from '../../data/session';
import { Alt } from '../../ui/press';
import { useSnack } from '../../ui/snack';
import { Body, Small } from '../../ui/words';
import { useFitWords } from '../fit/fitWords';
import { Settle } from '../condition/Settle';

/** A hold in words. */
export const useHoldWords = (view: HireView): ((hold: Hold) => string) => {
  const { t, i18n } = useTranslation();
  const words = useFitWords(view);
  const people = peopleOf(view.record, view.sheets) ?? [];
  return (hold) => {
    if (hold.is === 'safetyFitting')
      return t(`hold.${hold.fault.is}`, { name: say(hold.fault.fitting.name, i18n.language), n: hold.fault.pieces });
    if (hold.is === 'said') return hold.why;
    if (hold.is === 'propeller') return t('hold.propeller');
    if (hold.is === 'tooMany') return words.overload(hold.overload);
    if (hold.is === 'crew') return words.crew(hold.fault, people);
    if (hold.is === 'noJacket')
      return `${t('fit.none')}: ${people
        .filter(({ id }) => hold.people.includes(id))
        .map((person) => words.nameOf(person, people))
        .join(', ')}`;
    if (hold.is === 'drill') {
      const drill = view.pack.book.drills.find(({ id: one }) => one === hold.drill);
      return t('hold.drill', { name: drill ? say(drill.name, i18n.language) : hold.drill });
    }
    const id = hold.key.split('/').pop() ?? '';
    const named = [...view.pack.book.fittings, ...view.pack.book.gauges, ...view.pack.book.propellers].find((one) => one.id === id);
    return t('hold.contradiction', { what: named ? say(named.name, i18n.language) : id });
  };
};

/** What holds her, each with the way to lift it where a press can: a word of somebody's, or a flaw that a manager lets go. */
export const HoldList = ({ view, holds }: { view: HireView; holds: readonly Hold[] }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const manager = useMe().data?.staff.role === 'manager';
  const words = useHoldWords(view);
  const said = slotsUnder(view.record, 'held', 'held').flatMap(({ standing }) => standing);
  const told = (text: string, held: Held[]) => snack({ text, undo: () => void view.undo(held) });
  const action = (hold: Hold) => {
    const spoken = said.find(({ event: { body } }) => hold.is === 'said' && body.kind === 'held' && body.why === hold.why);
    if (spoken) return <Alt label={t('hold.lift')} onPress={() => void view.undo([spoken]).then((held) => told(t('hold.lifted'), held))} />;
    const slot = hold.is === 'contradiction' ? view.record.slots.get(hold.key) : undefined;
    if (slot) return <Settle view={view} slot={slot} />;
    if (hold.is === 'drill')
      return (
        <Alt
          label={t('hold.toDrill')}
          onPress={() => router.push(`/hire/${view.pack.hire.id}/drill/${hold.drill}`)}
          testID={`to-drill-${hold.drill}`}
        />
      );
    if (hold.is !== 'propeller') return null;
    if (!manager) return <Small>{t('hold.onlyManager')}</Small>;
    const finding = propellerRelease(hold.propeller);
    return (
      <Alt
        label={t('hold.release')}
        testID="release-propeller"
        onPress={() =>
          void view.add([{ kind: 'findingDecided', finding, decision: 'known' }]).then((held) => told(t('hold.released'), held))
        }
      />
    );
  };
  return (
    <View style={{ gap: 8 }}>
      {holds.map((hold, i) => (
        <View key={i} style={{ gap: 6 }}>
          <Body>{words(hold)}</Body>
          {action(hold)}
        </View>
      ))}
    </View>
  );
};
