import { changeSecret, listStaff, takeBackStaff, withdrawStaff } from '@quay/contract/session';
import { secretFits } from '@quay/core/staff/secret';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { useMe } from '../../local/session';
import { Card, Notice, Tag } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type Person, PersonSheet } from './PersonSheet';

/** Who works here: whom a manager adds, withdraws, takes back, or gives a new PIN or password. */
export const People = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const snack = useSnack();
  const client = useQueryClient();
  const me = useMe().data;
  const staff = useQuery({ queryKey: ['staff'], queryFn: () => call(listStaff) });
  const [changing, setChanging] = useState<Person>();
  /** Whose sheet is open: somebody's, or that of somebody new. */
  const [open, setOpen] = useState<Person | 'new'>();
  const again = () => client.invalidateQueries({ queryKey: ['staff'] });
  const back = useMutation({ mutationFn: (staffId: string) => call(takeBackStaff, { params: { staffId } }), onSuccess: again });
  const withdraw = useMutation({
    mutationFn: ({ id }: Person) => call(withdrawStaff, { params: { staffId: id } }),
    onSuccess: async (_, { id, name }) => {
      await again();
      snack({ text: t('phones.personWithdrawn', { name }), undo: () => back.mutate(id) });
    },
  });
  const bases = staff.data?.bases ?? [];
  /** Languages and places, in a line. */
  const worksLine = ({ languages, bases: at }: Person): string =>
    [
      languages.map((one) => t(`newHire.languages.${one}`)).join(', '),
      at.map((id) => bases.find((one) => one.id === id)?.name ?? id).join(', '),
    ]
      .filter(Boolean)
      .join(' · ');
  const failed = staff.error ?? withdraw.error ?? back.error;
  return (
    <View style={{ gap: 12 }}>
      <SlabBold size={22} heading={2}>
        {t('phones.people')}
      </SlabBold>
      {failed ? <Notice kind="stop" title={said(failed)} /> : null}
      <Button
        mode="outlined"
        label={t('addPerson.open')}
        onPress={() => setOpen('new')}
        style={{ alignSelf: 'flex-start' }}
        testID="open-add-person"
      />
      {staff.data?.staff.map((one) => (
        <Card key={one.id} style={{ gap: 10 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
            <View style={{ flex: 1, gap: 3 }}>
              <Bold>{one.name}</Bold>
              {one.id === me?.staff.id ? <Small>{t('phones.you')}</Small> : null}
              {worksLine(one) ? <Small>{worksLine(one)}</Small> : null}
            </View>
            {one.hasSecret || one.withdrawnAt ? null : <Tag kind="ask">{t(`phones.noSecret.${one.role}`)}</Tag>}
            <Tag kind={one.withdrawnAt ? 'stop' : 'calm'}>{one.withdrawnAt ? t('phones.withdrawn') : t(`phones.roles.${one.role}`)}</Tag>
          </View>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {one.withdrawnAt ? (
              <Button mode="outlined" label={t('phones.takeBack')} onPress={() => back.mutate(one.id)} testID={`back-${one.id}`} />
            ) : (
              <>
                <Button mode="outlined" label={t('addPerson.change')} onPress={() => setOpen(one)} testID={`change-${one.id}`} />
                <Button
                  mode="outlined"
                  label={t(`phones.newSecret.${one.role}`)}
                  onPress={() => setChanging(one)}
                  testID={`secret-${one.id}`}
                />
                {one.id === me?.staff.id ? null : (
                  <Button mode="outlined" label={t('phones.withdraw')} onPress={() => withdraw.mutate(one)} testID={`withdraw-${one.id}`} />
                )}
              </>
            )}
          </View>
        </Card>
      ))}
      {open ? (
        <PersonSheet
          key={open === 'new' ? '' : `${open.id} ${open.version}`}
          person={open === 'new' ? undefined : open}
          bases={bases}
          oneself={open !== 'new' && open.id === me?.staff.id}
          onKept={async (name) => {
            await Promise.all([again(), client.invalidateQueries({ queryKey: ['speaking'] })]);
            setOpen(undefined);
            snack({ text: t(open === 'new' ? 'addPerson.added' : 'addPerson.kept', { name }) });
          }}
          onClose={() => {
            setOpen(undefined);
            // Changed by somebody else meanwhile: opened anew it is as they left it.
            void again();
          }}
        />
      ) : null}
      {changing ? <SecretSheet person={changing} onClose={() => setChanging(undefined)} /> : null}
    </View>
  );
};

const SecretSheet = ({ person, onClose }: { person: Person; onClose: () => void }) => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const snack = useSnack();
  const [secret, setSecret] = useState('');
  const [weak, setWeak] = useState(false);
  const change = useMutation({
    mutationFn: () => call(changeSecret, { params: { staffId: person.id }, body: { secret } }),
    onSuccess: () => {
      snack({ text: t('phones.secretKept', { name: person.name }) });
      onClose();
    },
  });
  const rule = t(`phones.secretRule.${person.role}`);
  const keep = () => {
    const fits = secretFits(person.role, secret);
    setWeak(!fits);
    if (fits) change.mutate();
  };
  return (
    <ModalSheet
      title={t(`phones.newSecretOf.${person.role}`, { name: person.name })}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('phones.keepSecret')} busy={change.isPending} onPress={keep} testID="keep-secret" />}
    >
      <View style={{ gap: 10 }}>
        <Body>{rule}</Body>
        <TextField
          label={t(`phones.newSecret.${person.role}`)}
          value={secret}
          onChange={(next) => {
            setSecret(next);
            setWeak(false);
          }}
          secret
          numeric={person.role === 'hand'}
          autoComplete="new-password"
          autoFocus
          onEnter={keep}
          most={200}
          {...(weak ? { fault: rule } : {})}
          testID="new-secret"
        />
        {change.error ? <Notice kind="stop" title={said(change.error)} /> : null}
      </View>
    </ModalSheet>
  );
};
