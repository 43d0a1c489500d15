import { addStaff, changeStaff, type listStaff } from '@quay/contract/session';
import type { ReplyOf } from '@quay/contract/endpoint';
import { STAFF_ROLES, secretFits } from '@quay/core/staff/secret';
import { LANGUAGES } from '@quay/core/words/words';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { call, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { ModalSheet } from '../../ui/controls/modalSheet';
import * as typed from '../../ui/controls/typed';
import { Small } from '../../ui/words';

type Answer = ReplyOf<typeof listStaff>;
export type Person = Answer['staff'][number];

/** Taken out where it is there, put in where it is not. */
const turned = <T,>(all: readonly T[], one: T): T[] => (all.includes(one) ? all.filter((other) => other !== one) : [...all, one]);

/**
 * Somebody who works here: their name, what they do, which languages they speak with renters and where they work. Whoever is
 * new, or becomes another role, has a PIN or password to sign in with.
 */
export const PersonSheet = ({
  person,
  bases,
  oneself,
  onKept,
  onClose,
}: {
  /** Nobody: somebody is added. */
  person: Person | undefined;
  bases: Answer['bases'];
  /** Whoever changes it: they stay what they are. */
  oneself: boolean;
  onKept: (name: string) => Promise<unknown>;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const [fault, setFault] = useState<string>();
  const schema = useMemo(
    () =>
      z
        .object({
          name: typed.words(80, 'addPerson.nameWanted'),
          role: z.enum(STAFF_ROLES),
          secret: z.string(),
          languages: z.array(z.enum(LANGUAGES)),
          bases: z.array(z.string()),
        })
        .check(
          z.check(({ value: { role, secret }, issues }) => {
            if (role !== person?.role && !secretFits(role, secret))
              issues.push({ code: 'custom', path: ['secret'], message: t(`phones.secretRule.${role}`), input: secret });
          }),
        ),
    [person, t],
  );
  const form = useSchemaForm(schema, {
    name: person?.name ?? '',
    role: person?.role ?? ('hand' as const),
    secret: '',
    languages: person?.languages ?? [],
    bases: person?.bases ?? [],
  } as z.input<typeof schema>);
  const [role, languages, at] = form.watch(['role', 'languages', 'bases']);
  const wantsSecret = role !== person?.role;
  const go = form.handleSubmit(async ({ secret, ...entered }) => {
    setFault(undefined);
    try {
      if (person)
        await call(changeStaff, {
          params: { staffId: person.id },
          body: { ...entered, ...(wantsSecret ? { secret } : {}) },
          headers: { 'if-match': `"${person.version}"` },
        });
      else await call(addStaff, { body: { ...entered, secret } });
      await onKept(entered.name);
    } catch (error) {
      setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
    }
  });
  return (
    <ModalSheet
      title={person?.name ?? t('addPerson.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t(person ? 'addPerson.keep' : 'addPerson.open')}
          onPress={() => void go()}
          busy={form.formState.isSubmitting}
          testID="add-person"
        />
      }
    >
      <View style={{ gap: 10 }}>
        <FormField form={form} name="name" label={t('addPerson.name')} most={80} testID="person-name" />
        {oneself ? null : (
          <>
            <Small>{t('addPerson.role')}</Small>
            <View style={{ flexDirection: 'row', gap: 8 }} role="radiogroup" aria-label={t('addPerson.role')}>
              {STAFF_ROLES.map((one) => (
                <ChoiceChip
                  key={one}
                  label={t(`phones.roles.${one}`)}
                  on={role === one}
                  onPress={() => form.setValue('role', one)}
                  testID={`role-${one}`}
                />
              ))}
            </View>
          </>
        )}
        {wantsSecret ? (
          <FormField
            form={form}
            name="secret"
            label={`${t(role === 'hand' ? 'addPerson.pin' : 'addPerson.password')} · ${t(`phones.secretRule.${role}`)}`}
            secret
            numeric={role === 'hand'}
            autoComplete="new-password"
            most={200}
            testID="person-secret"
            onEnter={() => void go()}
          />
        ) : null}
        <Small>{t('addPerson.languages')}</Small>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('addPerson.languages')}>
          {LANGUAGES.map((one) => (
            <ChoiceChip
              key={one}
              several
              label={t(`newHire.languages.${one}`)}
              on={languages.includes(one)}
              onPress={() => form.setValue('languages', turned(languages, one))}
              testID={`speaks-${one}`}
            />
          ))}
        </View>
        {bases.length > 1 ? (
          <>
            <Small>{t('addPerson.bases')}</Small>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('addPerson.bases')}>
              {bases.map(({ id, name }) => (
                <ChoiceChip
                  key={id}
                  several
                  label={name}
                  on={at.includes(id)}
                  onPress={() => form.setValue('bases', turned(at, id))}
                  testID={`works-${id}`}
                />
              ))}
            </View>
          </>
        ) : null}
        {fault ? <Notice kind="stop" title={fault} /> : null}
      </View>
    </ModalSheet>
  );
};
