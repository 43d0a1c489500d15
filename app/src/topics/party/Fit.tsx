import type { Fit as FitOf } from '@quay/core/party/ofHire';
import { currentOf } from '@quay/core/events/record';
import { jacketGiven } from '@quay/core/party/events';
import { wearsWhen } from '@quay/core/party/aboard';
import type { Short } from '@quay/core/party/assignment';
import { massRange, type Person } from '@quay/core/party/people';
import { BOAT_STATES } from '@quay/core/fleet/places';
import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useFit } from '../../local/handover';
import { type HireView, useHire } from '../../local/hire';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { CheckboxRow } from '../../ui/controls/checkboxRow';
import { measures } from '../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { HireMissing } from '../record/HireMissing';
import { useFitWords } from './fitWords';
import { jacketOf, Own } from './Own';
import { PartyForm } from './partyFormLater';
import { keepParty } from './useParty';

/** Fit the party: who is aboard, a jacket for each, and what is too much. */
export const Fit = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Fitting view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

const Fitting = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const fit = useFit(view);
  const [editing, setEditing] = useState(false);
  const { pack } = view;
  const { hire } = pack;
  const back = () => router.push(`/hire/${hire.id}`);
  if (!fit || editing) {
    return (
      <Screen
        title={t('party.title')}
        sub={`${pack.boat.name} · ${hire.renter}`}
        onBack={() => (editing ? setEditing(false) : back())}
        measure={640}
      >
        <View style={{ padding: 12, gap: 12 }}>
          {pack.rules ? null : <Notice kind="ask" title={t('fit.noRules')} />}
          <PartyForm
            people={fit?.people}
            booked={hire.party.adults + hire.party.children}
            rules={pack.rules}
            plate={pack.book.plate.people}
            draftName={`party:${hire.id}`}
            onKeep={async (people) => {
              const stored = await keepParty(view, people, pack.rules);
              snack({ text: t('party.kept'), undo: () => void view.undo(stored) });
              setEditing(false);
            }}
          />
        </View>
      </Screen>
    );
  }
  return <Fitted view={view} fit={fit} onEdit={() => setEditing(true)} onBack={back} />;
};

const Fitted = ({ view, fit, onEdit, onBack }: { view: HireView; fit: FitOf; onEdit: () => void; onBack: () => void }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const words = useFitWords(view);
  const { wide } = useRoom();
  const { pack, record } = view;
  const open = fit.people.filter((person) => {
    const rack = fit.given.find((one) => one.person === person.id)?.rack;
    const worn = currentOf(record, ['jacket', person.id], jacketGiven)?.value;
    return rack && (worn?.fitting !== rack.fitting || worn.where !== rack.where);
  });
  const giveAll = () =>
    view.add(
      open.map(({ id }) => {
        const { rack } = fit.given.find((one) => one.person === id)!;
        return jacketOf(id, rack);
      }),
    );
  const stops = fit.overloads.length + fit.short.length + fit.unknown.length + fit.crew.length;
  return (
    <Screen
      title={t('fit.title')}
      sub={`${pack.boat.name} · ${pack.hire.renter}`}
      onBack={onBack}
      measure={wide ? 860 : 640}
      footer={
        open.length > 0 ? (
          <Button mode="contained" label={t('fit.giveAll', { count: open.length })} onPress={() => void giveAll()} testID="give-all" />
        ) : (
          <Button
            mode="contained"
            label={t('fit.toWalk')}
            onPress={() => router.push(`/hire/${pack.hire.id}/walk/out`)}
            testID="open-walk"
          />
        )
      }
    >
      <View style={{ padding: 12, gap: 12 }}>
        <Aboard view={view} fit={fit} />
        {fit.overloads.map((one, i) => (
          <Notice key={i} kind={one.is === 'load' && !one.sure ? 'ask' : 'stop'} title={words.overload(one)} />
        ))}
        {fit.short.map((group, i) => (
          <ShortOf key={i} view={view} fit={fit} group={group} />
        ))}
        {fit.crew.map((fault, i) => (
          <Notice
            key={i}
            kind={fault.is.startsWith('no') || fault.is === 'onlyThemselves' ? 'ask' : 'stop'}
            title={words.crew(fault, fit.people)}
          />
        ))}
        {stops === 0 ? (
          <Tag kind="ok" size={16}>
            {t('fit.allServed')}
          </Tag>
        ) : null}
        <Card style={{ gap: 2 }}>
          {fit.people.map((person) => (
            <Wearer key={person.id} view={view} fit={fit} person={person} />
          ))}
        </Card>
        <Small>{`${say(fit.rules.name, i18n.language)}: ${say(fit.rules.about, i18n.language)} ${t('walk.cautionFirst')}`}</Small>
        <Button mode="outlined" label={t('fit.change')} onPress={onEdit} testID="change-party" />
      </View>
    </Screen>
  );
};

/** Heads and load against the plate, as two rows of figures that are read from afar. */
const Aboard = ({ view, fit }: { view: HireView; fit: FitOf }) => {
  const { t } = useTranslation();
  const { plate } = view.pack.book;
  const ranges = fit.people.flatMap((person) => [massRange(person)]).filter((range) => range !== undefined);
  const [low, high] = [0, 1].map((i) => Math.round(ranges.reduce((sum, range) => sum + range[i]!, 0))) as [number, number];
  return (
    <Card style={{ flexDirection: 'row', gap: 24, flexWrap: 'wrap' }}>
      <View>
        <Small>{t('fit.headsName')}</Small>
        <SlabBold size={34}>{`${fit.people.length} / ${plate.people}`}</SlabBold>
      </View>
      <View>
        <Small>{t('fit.loadName')}</Small>
        <SlabBold size={34}>{`${high} / ${plate.loadKg}`}</SlabBold>
        {low === high ? null : <Small>{t('fit.loadFrom', { low: measures().figure(low, 'kg', 0), high: measures().mass(high) })}</Small>}
      </View>
    </Card>
  );
};

const ShortOf = ({ view, fit, group }: { view: HireView; fit: FitOf; group: Short }) => {
  const { t } = useTranslation();
  const words = useFitWords(view);
  const names = fit.people.filter(({ id }) => group.people.includes(id)).map((person) => words.nameOf(person, fit.people));
  return (
    <Notice kind="stop" title={t('fit.short', { count: group.people.length, from: group.fromKg, to: group.toKg, jackets: group.jackets })}>
      <Body>{names.join(', ')}</Body>
      <Bold>{t('fit.solve', { count: group.missing })}</Bold>
      {group.wants.map((want, i) => (
        <Body key={i}>{`– ${t(want.foam ? 'fit.wantFoam' : 'fit.want', {
          from: measures().figure(want.fromKg, 'kg', 0),
          to: measures().mass(want.toKg),
          n: want.newtons,
        })}`}</Body>
      ))}
    </Notice>
  );
};

const Wearer = ({ view, fit, person }: { view: HireView; fit: FitOf; person: Person }) => {
  const { t } = useTranslation();
  const words = useFitWords(view);
  const { record, add, undo } = view;
  const rack = fit.given.find((one) => one.person === person.id)?.rack;
  const found = currentOf(record, ['jacket', person.id], jacketGiven);
  const worn = found?.value;
  const same = rack && worn?.fitting === rack.fitting && worn.where === rack.where;
  const when = wearsWhen(person, fit.rules);
  const name = words.nameOf(person, fit.people);
  const whenText =
    when.length === 0
      ? t('fit.whenever')
      : when.length === BOAT_STATES.length
        ? t('fit.always')
        : t('fit.wears', { when: when.map((state) => t(`fit.state.${state}`)).join(', ') });
  return (
    <View style={{ paddingVertical: 8, gap: 4 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: 8 }}>
        <SlabBold size={21}>{name}</SlabBold>
        <Small>
          {[person.age === undefined ? '' : t('party.years', { n: person.age }), words.massOf(person)].filter(Boolean).join(' · ')}
        </Small>
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {person.drives ? <Tag kind="calm">{t('party.drives')}</Tag> : null}
        {person.lookout ? <Tag kind="calm">{t('party.lookout')}</Tag> : null}
        {person.swims === 'well' ? null : <Tag kind="ask">{t(`party.swims.${person.swims}`)}</Tag>}
        {when.length > 0 ? <Tag kind="ask">{whenText}</Tag> : null}
      </View>
      {rack ? (
        <CheckboxRow
          label={`${words.jacket(rack)} · ${words.where(rack)}`}
          on={same === true}
          testID={`give-${person.id}`}
          onChange={(on) => void (on ? add([jacketOf(person.id, rack)]) : found && undo(found.currentEvents))}
        />
      ) : (
        <Tag kind="stop" size={16}>
          {fit.unknown.includes(person.id) ? t('fit.massUnknown') : t('fit.none')}
        </Tag>
      )}
      {worn && rack && !same ? <Tag kind="ask">{t('fit.swap', { from: words.jacket(worn) })}</Tag> : null}
      <Own view={view} fit={fit} person={person} name={name} />
    </View>
  );
};
