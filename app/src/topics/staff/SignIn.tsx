import { signIn as signInEndpoint, whoSignsIn } from '@quay/contract/session';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { List } from 'react-native-paper';
import { call, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { useSignIn } from '../../local/session';
import { rememberChoice, rememberedChoice } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { Scroll } from '../../ui/scroll';
import { FACE, useTones } from '../../ui/theme';
import { Body, SlabBold } from '../../ui/words';
import { Emblem } from './Emblem';

const LAST = 'signed-in-last';

/**
 * Signing in. On a registered phone one presses one's name and types the PIN; elsewhere nobody is named, and a phone is
 * registered before a PIN is typed. A wrong name is answered as a wrong PIN is.
 */
export const SignIn = () => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const router = useRouter();
  const tones = useTones();
  const signIn = useSignIn();
  const form = useSchemaForm(signInEndpoint.body, { name: '', secret: '' });
  const { data, isPending } = useQuery({ queryKey: ['whoSignsIn'], queryFn: () => call(whoSignsIn) });
  const [typesName, setTypesName] = useState(false);
  const [fault, setFault] = useState<string>();
  const names = typesName ? [] : (data?.names ?? []);
  const [name, setName] = useState<string>();
  const chosen = name !== undefined;
  /** Nobody can sign in where nobody is set up. */
  const nobody = data?.setUp === false;
  const last = rememberedChoice(LAST);
  const go = form.handleSubmit(
    async (entered) => {
      setFault(undefined);
      try {
        await signIn(entered.name.trim(), entered.secret);
        rememberChoice(LAST, entered.name.trim());
      } catch (error) {
        setFault(
          !(error instanceof Refused)
            ? t('signIn.noAnswer')
            : error.problem.code === 'wrong'
              ? t('signIn.wrong')
              : error.problem.code === 'wrongHere'
                ? t('signIn.wrongHere')
                : errorWords(error),
        );
      }
    },
    () => setFault(t('signIn.empty')),
  );
  const enter = () => void go();
  const choose = (one: string | undefined) => {
    setFault(undefined);
    setName(one);
    form.reset({ name: one ?? '', secret: '' });
  };
  // Whoever has begun to type their name goes on with that.
  const toList = names.length > 0 && !chosen && form.watch('name') === '';
  // Somebody has signed in here before: their names are on the way, and the page does not change under a thumb.
  const waits = isPending && last !== undefined;
  return (
    <View role="main" style={{ flex: 1, backgroundColor: tones.ground, alignItems: 'center' }}>
      <View style={{ flex: 1, width: '100%', minHeight: 120 }}>
        <Emblem />
        <SlabBold size={40} style={{ position: 'absolute', left: 20, top: 22 }}>
          {t('app.name')}
        </SlabBold>
      </View>
      <Scroll
        style={{ width: '100%', flexGrow: 0, flexShrink: 1 }}
        contentContainerStyle={{ width: '100%', maxWidth: 460, alignSelf: 'center', padding: 20, gap: 14 }}
      >
        <SlabBold size={30} heading={1}>
          {toList ? t('signIn.who') : chosen ? name : t('signIn.title')}
        </SlabBold>
        {waits ? null : toList ? (
          <View role="group" aria-label={t('signIn.who')}>
            {/* Whoever was here last comes first. */}
            {[...names]
              .sort((a, b) => Number(b === last) - Number(a === last))
              .map((one) => (
                <List.Item
                  key={one}
                  title={one}
                  onPress={() => choose(one)}
                  testID={`who-${one}`}
                  style={{ minHeight: 60, justifyContent: 'center', borderBottomWidth: 1, borderBottomColor: tones.line }}
                  titleStyle={{ fontFamily: FACE.slab, fontSize: 22, lineHeight: 26, color: tones.ink }}
                />
              ))}
            <Button
              mode="outlined"
              label={t('signIn.other')}
              onPress={() => setTypesName(true)}
              style={{ marginTop: 14 }}
              testID="who-other"
            />
          </View>
        ) : (
          <>
            {nobody ? (
              <Notice kind="ask" title={t('signIn.notSetUp')}>
                <Body>{t('signIn.notSetUpWhy')}</Body>
              </Notice>
            ) : data?.registered === false ? (
              <Notice
                kind="calm"
                title={t('signIn.notRegistered')}
                action={<Button mode="outlined" label={t('signIn.enrol')} onPress={() => router.push('/enrol')} testID="open-enrol" />}
              >
                <Body>{t('signIn.notRegisteredWhy')}</Body>
              </Notice>
            ) : null}
            {chosen || nobody ? null : (
              <FormField form={form} name="name" label={t('signIn.name')} autoComplete="username" most={80} testID="name" onEnter={enter} />
            )}
            {nobody ? null : (
              <FormField
                key={name ?? ''}
                form={form}
                name="secret"
                label={t('signIn.secret')}
                secret
                autoFocus={chosen}
                autoComplete="current-password"
                most={200}
                testID="secret"
                fault={fault}
                onEnter={enter}
              />
            )}
            {nobody ? null : (
              <Button mode="contained" label={t('signIn.go')} onPress={enter} busy={form.formState.isSubmitting} testID="sign-in" />
            )}
            {chosen ? (
              <Button mode="outlined" label={t('signIn.notMe', { name })} onPress={() => choose(undefined)} testID="not-me" />
            ) : null}
          </>
        )}
      </Scroll>
    </View>
  );
};
