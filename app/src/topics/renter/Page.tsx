import { pendingCount } from '../../local/outbox/deliver';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePending } from '../../local/usePending';
import { Notice, Tag } from '../../ui/board';
import { Screen } from '../../ui/screen';
import { useRenting } from './RenterFace';

/** A page of the renter's: its name, the way back to the start, and what is still kept here. */
export const Page = ({
  title,
  footer,
  children,
  home = false,
  fill = false,
  onBack,
}: {
  title: string;
  footer?: ReactNode;
  children: ReactNode;
  home?: boolean;
  /** The content scrolls by itself: a list that draws only what is seen. */
  fill?: boolean;
  /** Where back leads, when it is not the start. */
  onBack?: () => void;
}) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { pack, shut } = useRenting();
  const count = usePending(['events', 'photos'], pendingCount, []);
  return (
    <Screen
      title={title}
      sub={home ? pack.operator.name : pack.boat.name}
      measure={640}
      fill={fill}
      {...(home ? {} : { onBack: onBack ?? (() => router.push('/r')) })}
      {...(footer ? { footer } : {})}
    >
      <View style={fill ? { flex: 1, width: '100%', maxWidth: 640, alignSelf: 'center' } : { padding: 12, gap: 12 }}>
        {shut ? <Notice kind="ask" title={t('r.ended')} /> : null}
        {count && count.pending > 0 ? <Tag kind="ask">{t('r.kept', { n: count.pending })}</Tag> : null}
        {children}
      </View>
    </Screen>
  );
};
