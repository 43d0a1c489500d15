import { peopleOf } from '@quay/core/party/ofHire';
import { mdiPhone } from '@mdi/js';
import { say } from '@quay/core/words/words';
import { policyOf } from '@quay/core/policy/policy';
import { isChild } from '@quay/core/party/suits';
import { clockOf } from '@quay/core/time/zone';
import { compassOf, decimalDegrees, degreesMinutes, fromNearest, type Position } from '@quay/core/waters/position';
import { spelt } from '@quay/core/waters/spelling';
import { NATURES } from '@quay/core/waters/radioCall';
import { landmarksOf } from '@quay/core/waters/landmarks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { byClock } from '../../../platform/clock';
import { dial, type Fix, whereAmI } from '../../../platform/browser';
import { Card, Notice } from '../../../ui/board';
import { FormField } from '../../../ui/controls/form';
import { Button, IconButton } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { measures } from '../../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { LandmarkFields, useWhere } from './LandmarkFields';
import { Page } from '../Page';
import { RadioCall } from './RadioCall';
import { useRenting } from '../RenterFace';
import { quayPhone } from '@quay/core/fleet/base';

/** Call for help: what first, whom, and then one page to read out. It works without signal and sends nothing by itself. */
export const HelpPage = () => {
  const { t } = useTranslation();
  const [nature, setNature] = useState<(typeof NATURES)[number]>();
  const [fix, setFix] = useState<Fix | 'looking' | 'none'>();
  const { pack, view, record, language } = useRenting();
  const look = async () => {
    setFix('looking');
    setFix((await whereAmI()) ?? 'none');
  };
  const places = pack.waters ? landmarksOf(pack.waters) : [];
  const where = useWhere(places);
  // What somebody took the trouble to type comes before what they see, and that before what the phone says.
  const fixed: Position | undefined = typeof fix === 'object' ? [fix.lon, fix.lat] : undefined;
  const at = where.typed === undefined ? (where.seen ?? fixed) : where.typed === 'unread' ? undefined : where.typed;
  const near = at && fromNearest(at, places);
  const people = peopleOf(record, view.sheets);
  const { rules, boat, book, hire, base } = pack;
  const children = people && rules ? people.filter((person) => isChild(person, rules)).length : hire.party.children;
  const channel = pack.waters?.rescue?.channel ?? base.radio;
  const adults = people ? people.length - children : hire.party.adults;
  return (
    <Page title={t('r.help')}>
      <Notice kind="stop" title={t('r.helpFirst')}>
        <Body>{t('r.helpSends')}</Body>
      </Notice>
      <Helpers />
      <Card style={{ gap: 10 }}>
        <Small>{t('r.nature')}</Small>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('r.nature')}>
          {NATURES.map((one) => (
            <ChoiceChip
              key={one}
              label={t(`r.natures.${one}`)}
              on={nature === one}
              tone="danger"
              onPress={() => setNature(one)}
              testID={`nature-${one}`}
            />
          ))}
        </View>
        <Button
          mode="outlined"
          label={t(fix === 'looking' ? 'r.locating' : 'r.fromPhone')}
          onPress={() => void look()}
          disabled={fix === 'looking'}
          testID="locate"
        />
        {fix === 'none' ? <Bold live>{t('r.noPosition')}</Bold> : null}
        <FormField form={where.form} name="typed" label={t('r.typed')} most={60} testID="typed-position" />
        <LandmarkFields of={where} />
      </Card>
      <Card style={{ gap: 12 }}>
        <SlabBold size={21} heading={2}>
          {t('r.readOut')}
        </SlabBold>
        <Said name={t('r.weAre')} testID="said-boat">
          {`${boat.name}, ${boat.hullNumber}${book.looks ? `. ${say(book.looks, language)}` : ''}`}
        </Said>
        {book.callSign ? <Said name={t('r.callSign')}>{spelt(book.callSign).join(' ')}</Said> : null}
        <Said name={t('r.position')} testID="said-position">
          {at ? `${decimalDegrees(at)}\n${degreesMinutes(at)}` : t('r.unknownPosition')}
        </Said>
        {where.sighting ? (
          <Said name="" testID="said-sighting">
            {t('r.sighted', {
              name: where.sighting.landmark.name,
              deg: Math.round(where.sighting.bearing),
              m: Math.round(where.sighting.metres),
            })}
          </Said>
        ) : null}
        {at === fixed && typeof fix === 'object' ? (
          <Small>
            {t('r.within', { m: measures().metres(fix.withinM, 0), time: clockOf(new Date(byClock(fix.at)).toISOString(), base.zone) })}
          </Small>
        ) : null}
        {near && !where.sighting ? (
          <Said name="">
            {t('r.near', {
              km: measures().far(near.distanceM),
              compass: compassOf(near.bearingDeg),
              name: near.name,
              deg: Math.round(near.bearingDeg),
            })}
          </Said>
        ) : null}
        <Said name={t('r.nature')} testID="said-nature">
          {nature ? t(`r.natures.${nature}`) : '…'}
        </Said>
        <Said name="" testID="said-people">
          {t('r.aboard', {
            people: [t('r.adults', { count: adults }), children > 0 ? t('r.children', { count: children }) : ''].filter(Boolean).join(', '),
          })}
        </Said>
      </Card>
      {channel ? (
        <RadioCall
          channel={channel}
          boat={boat.name}
          callSign={book.callSign}
          position={at && degreesMinutes(at)}
          nature={nature}
          people={adults + children}
        />
      ) : null}
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};

/** Whom to call, in the order of the policy that holds here. */
const Helpers = () => {
  const { t } = useTranslation();
  const { pack, policies } = useRenting();
  const { waters, base, operator } = pack;
  const rescue = waters?.rescue;
  const phone = quayPhone(pack);
  const rows = {
    emergencyNumber: waters?.emergencyNumber ? { name: t('r.emergencyNumber'), how: waters.emergencyNumber } : undefined,
    rescueStation: rescue ? { name: rescue.name, how: rescue.phone ?? '' } : undefined,
    radio: (rescue?.channel ?? base.radio) ? { name: t('r.radio', { channel: rescue?.channel ?? base.radio ?? '' }), how: '' } : undefined,
    operator: phone === undefined ? undefined : { name: operator.name, how: phone },
  };
  const first = policyOf(policies, 'firstCall');
  const usual = ['emergencyNumber', 'rescueStation', 'radio', 'operator'] as const;
  const order = first === 'all' ? usual : [first, ...usual.filter((one) => one !== first)];
  return (
    <Card style={{ gap: 8 }}>
      <SlabBold size={21} heading={2}>
        {t('r.whom')}
      </SlabBold>
      {order.map((one, i) => {
        const row = rows[one];
        return row ? (
          <View key={one} style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
            <SlabBold size={20} tone="dangerText">
              {first === 'all' ? '–' : `${i + 1}`}
            </SlabBold>
            <View style={{ flex: 1 }}>
              <Body>{row.name}</Body>
              {row.how ? <SlabBold size={26}>{row.how}</SlabBold> : null}
            </View>
            {row.how ? (
              <IconButton path={mdiPhone} label={t('r.ring', { name: row.name })} onPress={() => dial(row.how)} testID={`ring-${one}`} />
            ) : null}
          </View>
        ) : null;
      })}
    </Card>
  );
};

const Said = ({ name, children, testID }: { name: string; children: string; testID?: string }) => (
  <View testID={testID}>
    {name ? <Small>{name}</Small> : null}
    <SlabBold size={23}>{children}</SlabBold>
  </View>
);
