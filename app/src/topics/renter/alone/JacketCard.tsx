import type { Fit } from '@quay/core/party/ofHire';
import { currentOf } from '@quay/core/events/record';
import { jacketGiven } from '@quay/core/party/events';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { Card, Tag } from '../../../ui/board';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { measures } from '../../../ui/units';
import { Small, SlabBold } from '../../../ui/words';
import { jacketOf, Own } from '../../party/Own';
import { useRenting } from '../RenterFace';

/** Who takes which jacket, where it lies, and whether they have it. */
export const useJackets = (fit: Fit | undefined) => {
  const { t } = useTranslation();
  const { view, pack, record, language } = useRenting();
  const rows = (fit?.people ?? []).flatMap((person, i) => {
    const rack = fit?.given.find((one) => one.person === person.id)?.rack;
    if (!rack) return [];
    const found = currentOf(record, ['jacket', person.id], jacketGiven);
    const jacket = [...pack.book.fittings, ...pack.base.store].find(({ id }) => id === rack.fitting);
    const at = rack.where === 'store' ? undefined : pack.book.fittings.find(({ id }) => id === rack.fitting)?.station;
    const station = pack.book.stations.find(({ id }) => id === at);
    return [
      {
        person,
        rack,
        found,
        on: found?.value.fitting === rack.fitting && found.value.where === rack.where,
        name: person.name || t('party.person', { n: i + 1 }),
        label:
          rack.where === 'brought'
            ? t('own.own', {
                n: rack.jacket.newtons,
                from: measures().figure(rack.jacket.fromKg, 'kg', 0),
                to: measures().mass(rack.jacket.toKg),
              })
            : [jacket ? say(jacket.name, language) : rack.fitting, station ? say(station.name, language) : t('alone.store')].join(' · '),
      },
    ];
  });
  const give = (some: typeof rows) => view.add(some.map(({ person, rack }) => jacketOf(person.id, rack)));
  const open = rows.filter(({ on }) => !on);
  return { fit, rows, give, giveAll: () => give(open) };
};

export const JacketCard = ({ jackets: { fit, rows, give }, missing }: { jackets: ReturnType<typeof useJackets>; missing: boolean }) => {
  const { t } = useTranslation();
  const { view } = useRenting();
  return (
    <Card style={{ gap: 6 }}>
      <SlabBold size={21} heading={2}>
        {t('alone.step.jackets')}
      </SlabBold>
      <Small>{t('alone.jacketsWhy')}</Small>
      {rows.map((row) => (
        <CheckboxRow
          key={row.person.id}
          label={`${row.name} · ${row.label}`}
          on={row.on}
          testID={`give-${row.person.id}`}
          onChange={(on) => void (on ? give([row]) : row.found && view.undo(row.found.currentEvents))}
        />
      ))}
      {fit?.people.map((person, i) => (
        <Own key={person.id} view={view} fit={fit} person={person} name={person.name || t('party.person', { n: i + 1 })} byRenter />
      ))}
      {missing ? <Tag kind="stop">{t('alone.holdJacket')}</Tag> : null}
    </Card>
  );
};
