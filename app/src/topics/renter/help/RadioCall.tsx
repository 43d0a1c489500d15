import { isDistress, type Nature, radioCall, type RadioPart } from '@quay/core/waters/radioCall';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../ui/board';
import { Choices } from '../../../ui/controls/choices';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

const DANGERS = ['life', 'help'] as const;

/** The words to say by radio, filled in with who and where one is. @param channel on which somebody listens */
export const RadioCall = ({
  channel,
  boat,
  callSign,
  position,
  nature,
  people,
}: {
  channel: string;
  boat: string;
  callSign: string | undefined;
  position: string | undefined;
  nature: Nature | undefined;
  people: number;
}) => {
  const { t } = useTranslation();
  // What somebody chose stands, whatever they say has happened.
  const [said, setSaid] = useState<(typeof DANGERS)[number]>();
  const danger = said ?? (nature && isDistress(nature) ? 'life' : 'help');
  const distress = danger === 'life';
  const words = (part: RadioPart): string => {
    switch (part.is) {
      case 'thisIs':
        return t('r.vhf.thisIs', { boat: part.boat });
      case 'again':
        return [part.signal, part.boat, part.callSign].filter(Boolean).join(' ');
      case 'at':
        return t('r.vhf.at', { position: part.position });
      case 'nature':
        return t(`r.natures.${part.nature}`);
      case 'people':
        return t('r.vhf.people', { count: part.people });
      default:
        return t(`r.vhf.${part.is}`);
    }
  };
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={21} heading={2}>
        {t('r.vhf.title', { channel })}
      </SlabBold>
      <Choices
        label={t('r.vhf.danger')}
        options={DANGERS}
        labelOf={(one) => t(`r.vhf.dangers.${one}`)}
        value={danger}
        onChange={setSaid}
        testID="danger"
      />
      {distress ? <Body>{t('r.vhf.button')}</Body> : null}
      <Body>{t('r.vhf.how')}</Body>
      <View style={{ gap: 4 }} testID="radio-words">
        {radioCall({ distress, boat, callSign, position, nature, people }).map((part) => (
          <Bold key={part.is} size={21}>
            {words(part)}
          </Bold>
        ))}
      </View>
      <Small>{t('r.vhf.then')}</Small>
    </Card>
  );
};
