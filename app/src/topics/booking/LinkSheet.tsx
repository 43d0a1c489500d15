import { listLinks, makeLink, withdrawLinks } from '@quay/contract/renter';
import { contactOf, dialled } from '@quay/core/booking/contact';
import { LANGUAGES } from '@quay/core/words/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { SvgXml } from 'react-native-svg';
import { call, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import type { HireView } from '../../local/hire';
import { canShare, copyText, handOver, share } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Body, Bold, Small } from '../../ui/words';
import { linkMessage } from './linkMessage';

/** The renter's link: made, shown once with its code, withdrawn. */
export const LinkSheet = ({ view, onClose }: { view: HireView; onClose: () => void }) => {
  const { t, i18n } = useTranslation();
  const errorWords = useErrorWords();
  const snack = useSnack();
  const now = useNow();
  const client = useQueryClient();
  const { hire, base, boat, operator } = view.pack;
  const params = { hireId: hire.id };
  const key = ['links', hire.id];
  const links = useQuery({ queryKey: key, queryFn: () => call(listLinks, { params }) });
  const again = () => void client.invalidateQueries({ queryKey: key });
  const make = useMutation({ mutationFn: () => call(makeLink, { params }), onSuccess: again });
  const withdraw = useMutation({
    mutationFn: () => call(withdrawLinks, { params }),
    onSuccess: () => {
      make.reset();
      again();
      snack({ text: t('link.withdrawn') });
    },
  });
  const error = links.error ?? make.error ?? withdraw.error;
  const made = make.data;
  const { numbers, mails } = contactOf(hire.contact);
  const theirs = LANGUAGES.find((one) => one === hire.language) ?? 'en';
  const message = linkMessage(theirs, {
    operator: operator.name,
    renter: hire.renter,
    boat: boat.name,
    when: whenOf(hire.from, base.zone, now, theirs),
    url: made?.url ?? '',
  });
  return (
    <ModalSheet
      title={t('link.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('link.make')} onPress={() => make.mutate()} busy={make.isPending} testID="make-link" />}
    >
      <Body>{t('link.why')}</Body>
      {error ? <Notice kind="stop" title={error instanceof NoAnswer ? t('link.offline') : errorWords(error)} /> : null}
      {made ? (
        <View style={{ gap: 8, alignItems: 'center' }}>
          <View style={{ backgroundColor: '#FFFFFF', padding: 8 }}>
            <SvgXml xml={made.qrSvg} width={230} height={230} />
          </View>
          <View testID="link-url">
            <Bold size={15}>{made.url}</Bold>
          </View>
          <Small>{t('link.once')}</Small>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, justifyContent: 'center' }}>
            <Button
              mode="outlined"
              label={t('link.copy')}
              onPress={() => void copyText(made.url).then(() => snack({ text: t('link.copied') }))}
            />
            {canShare() ? (
              <Button
                mode="outlined"
                label={t('link.share')}
                onPress={() => void share({ title: message.subject, text: message.text, url: made.url })}
                testID="link-share"
              />
            ) : null}
            {numbers.slice(0, 1).map((number) => (
              <Button
                key="sms"
                mode="outlined"
                label={t('link.sms')}
                onPress={() => handOver(`sms:${dialled(number)}?body=${encodeURIComponent(message.text)}`)}
                testID="link-sms"
              />
            ))}
            {mails.slice(0, 1).map((mail) => (
              <Button
                key="mail"
                mode="outlined"
                label={t('link.mail')}
                onPress={() =>
                  handOver(
                    `mailto:${encodeURIComponent(mail)}?subject=${encodeURIComponent(message.subject)}&body=${encodeURIComponent(message.text)}`,
                  )
                }
                testID="link-mail"
              />
            ))}
          </View>
        </View>
      ) : null}
      {links.data ? (
        <View style={{ gap: 6 }}>
          <Small>{links.data.links.length === 0 ? t('link.none') : t('link.out', { count: links.data.links.length })}</Small>
          {links.data.links.map((link) => (
            <Body key={link.id} size={16}>
              {t('link.by', { name: link.madeBy, when: whenOf(link.createdAt, base.zone, now, i18n.language) })}
            </Body>
          ))}
          {links.data.links.length > 0 ? (
            <Button
              mode="outlined"
              label={t('link.withdraw')}
              onPress={() => withdraw.mutate()}
              style={{ alignSelf: 'flex-start' }}
              testID="withdraw-links"
            />
          ) : null}
        </View>
      ) : null}
    </ModalSheet>
  );
};
