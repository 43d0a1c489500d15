import { mdiCheckCircle, mdiCircleOutline, mdiProgressAlert } from '@mdi/js';
import { getReadiness } from '@quay/contract/setup';
import { isReady, type Readiness, type ReadinessStep } from '@quay/core/policy/readiness';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { List, ProgressBar } from 'react-native-paper';
import { call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { FACE, useTones } from '../../ui/theme';
import { Body, Bold } from '../../ui/words';

/** Where what is missing is put right; nowhere in the program where it is done at the server, or cannot be done yet. */
const WAYS: Record<ReadinessStep, string | undefined> = {
  base: '/bases/new',
  waters: undefined,
  boat: '/boats/new',
  book: '/fleet',
  rules: '/bases/new',
  prices: '/prices',
  terms: '/prices',
  staff: '/staff',
  phone: '/staff',
  https: undefined,
  backup: undefined,
};

/** What is missing before the first hire, with the way to each; afterwards how the installation is. */
export const FirstHire = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const { wide } = useRoom();
  const said = useErrorWords();
  const { data, error, refetch, isPending } = useQuery({
    queryKey: ['readiness'],
    queryFn: () => call(getReadiness),
    refetchOnMount: 'always',
  });
  const steps = data?.steps ?? [];
  const done = steps.filter(({ state }) => state === 'done').length;
  const ready = data !== undefined && isReady(steps);
  const missing = steps.find(({ state }) => state === 'needed');
  const next = missing && (missing.is === 'base' || missing.is === 'boat' || missing.is === 'rules') ? missing.is : undefined;
  const footer = data ? (
    <Button
      mode="contained"
      label={next ? t(`firstHire.next.${next}`) : t(data.hires === 0 ? 'firstHire.next.hire' : 'firstHire.later')}
      onPress={() => router.push(next ? WAYS[next]! : '/bookings/new')}
      testID="next-step"
    />
  ) : undefined;
  return (
    <Screen title={t('nav.firstHire')} measure={1100} {...(footer ? { footer } : {})}>
      <View style={{ padding: 12, gap: 12 }}>
        {error && !data ? (
          <Notice
            kind="stop"
            title={said(error)}
            action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
          />
        ) : null}
        {isPending ? <Body>{t('common.loading')}</Body> : null}
        {data ? (
          <>
            <View style={{ gap: 6 }}>
              <Body>{t(ready ? 'firstHire.ready' : 'firstHire.notReady')}</Body>
              <Bold>{t('firstHire.progress', { done, of: steps.length })}</Bold>
              {/* Paper's bar takes the height of what it lies in. */}
              <View style={{ height: 10 }}>
                <ProgressBar
                  progress={steps.length === 0 ? 0 : done / steps.length}
                  color={tones.primary}
                  style={{ height: 10, borderRadius: 5, backgroundColor: tones.line }}
                  aria-label={t('firstHire.progress', { done, of: steps.length })}
                />
              </View>
            </View>
            <Button
              mode="outlined"
              label={t('handbook.open')}
              onPress={() => router.push('/handbook/first-day')}
              style={{ alignSelf: 'flex-start' }}
              testID="open-handbook"
            />
            <Card style={{ padding: 0, paddingVertical: 6, flexDirection: 'row', flexWrap: 'wrap' }}>
              {steps.map((step) => (
                <View key={step.is} style={{ width: wide ? '50%' : '100%' }}>
                  <Step step={step} onOpen={WAYS[step.is] === undefined ? undefined : () => router.push(WAYS[step.is]!)} />
                </View>
              ))}
            </Card>
          </>
        ) : null}
      </View>
    </Screen>
  );
};

const SIGN = { done: mdiCheckCircle, open: mdiCircleOutline, needed: mdiProgressAlert } as const;

const Step = ({ step: { is, state, count }, onOpen }: { step: Readiness; onOpen: (() => void) | undefined }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const how = state === 'done' ? 'done' : 'open';
  return (
    <List.Item
      title={t(`firstHire.step.${is}`)}
      description={t(`firstHire.say.${is}_${how}`, { count })}
      testID={`step-${is}`}
      {...(onOpen ? { onPress: onOpen, role: 'link' as const } : {})}
      style={{ minHeight: 68, paddingLeft: 12, paddingRight: 12 }}
      titleStyle={{ fontFamily: FACE.slab, fontSize: 21, lineHeight: 25, color: tones.ink }}
      titleNumberOfLines={2}
      descriptionStyle={{ fontSize: 15, lineHeight: 20, color: tones.soft }}
      descriptionNumberOfLines={6}
      left={({ style }) => (
        <List.Icon
          icon={SIGN[state]}
          color={state === 'done' ? tones.primaryText : state === 'needed' ? tones.warningText : tones.soft}
          style={style}
        />
      )}
      right={() => (
        <View style={{ alignSelf: 'center', marginLeft: 12 }}>
          <Tag kind={state === 'done' ? 'ok' : state === 'needed' ? 'ask' : 'calm'}>{t(`firstHire.${state}`)}</Tag>
        </View>
      )}
    />
  );
};
