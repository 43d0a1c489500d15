import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Image, View } from 'react-native';
import { List } from 'react-native-paper';
import { Card, Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useTones } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type Block, type Handbook, Handbook as HandbookShape, HANDBOOK_AT, type Span } from './page';

/** Width of its contents beside a page, px, and of a column of text that is read with ease. */
const [CONTENTS, COLUMN] = [300, 760];

const fetchHandbook = async (): Promise<Handbook> => {
  const response = await fetch(HANDBOOK_AT);
  if (!response.ok) throw new Error(`status ${response.status}`);
  return HandbookShape.parse(await response.json());
};

const pathOf = (id: string): string => (id === '' ? '/handbook' : `/handbook/${id}`);

/** The handbook, a page at a time; on a desk its contents stand beside it. */
export const HandbookPage = ({ page: id }: { page: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { wide, width } = useRoom();
  const tones = useTones();
  const { data, error, refetch } = useQuery({ queryKey: ['handbook'], queryFn: fetchHandbook, staleTime: Infinity });
  const at = data?.pages.findIndex((one) => one.id === id) ?? -1;
  const page = data?.pages[at];
  const next = at >= 0 ? data?.pages[at + 1] : undefined;
  const open = (to: string) => router.push(pathOf(to));
  const contents = data ? (
    <Card style={{ padding: 0, paddingVertical: 6 }}>
      {data.pages
        .filter((one) => one.id !== '')
        .map((one, i) => (
          <List.Item
            key={one.id}
            title={`${i + 1}  ${one.title}`}
            onPress={() => open(one.id)}
            role="link"
            aria-current={one.id === id ? 'page' : undefined}
            testID={`handbook-${one.id}`}
            style={{ minHeight: 56, ...(one.id === id ? { backgroundColor: tones.primaryPale } : {}) }}
          />
        ))}
    </Card>
  ) : null;
  const room = Math.min(COLUMN, width - (wide ? CONTENTS + 120 : 24));
  const text = (
    <View style={{ gap: 12, maxWidth: COLUMN, flex: 1 }}>
      {error && !data ? (
        <Notice
          kind="stop"
          title={t('handbook.notThere')}
          action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
        />
      ) : null}
      {!data && !error ? <Body>{t('common.loading')}</Body> : null}
      {data && !page ? <Notice kind="ask" title={t('handbook.noPage')} /> : null}
      {page?.id === '' ? contents : null}
      {page
        ? page.blocks.map((block, i) =>
            page.id === '' && block.is === 'list' ? null : <Shown key={i} block={block} room={room} onOpen={open} />,
          )
        : null}
      {page && page.id !== '' && next ? (
        <Button
          mode="outlined"
          label={t('handbook.next', { title: next.title })}
          onPress={() => open(next.id)}
          style={{ alignSelf: 'flex-start' }}
          testID="handbook-next"
        />
      ) : null}
    </View>
  );
  return (
    <Screen
      title={page && page.id !== '' ? page.title : t('nav.handbook')}
      {...(id === '' ? {} : { onBack: () => router.push('/handbook') })}
      {...(wide ? { measure: 1180 } : {})}
    >
      <View style={{ padding: wide ? 16 : 12, gap: 24, flexDirection: wide ? 'row' : 'column' }}>
        {wide && page?.id !== '' ? <View style={{ width: CONTENTS }}>{contents}</View> : null}
        {text}
      </View>
    </Screen>
  );
};

type ShownProps = { room: number; onOpen: (page: string) => void };

const Spans = ({ spans, onOpen }: { spans: readonly Span[]; onOpen: (page: string) => void }) => {
  const tones = useTones();
  return spans.map(({ text, as, to }, i) => {
    if (to !== undefined)
      return (
        <Bold key={i} tone="primaryText" style={{ textDecorationLine: 'underline' }} onPress={() => onOpen(to)}>
          {text}
        </Bold>
      );
    if (as === 'bold' || as === 'italic')
      return (
        <Bold key={i} style={as === 'italic' ? { color: tones.primaryText } : {}}>
          {text}
        </Bold>
      );
    return as === 'code' ? <Mono key={i}>{text}</Mono> : text;
  });
};

/** What is typed at the server, letter by letter. */
const Mono = ({ children }: { children: string }) => <Body style={{ fontFamily: 'monospace', fontSize: 15 }}>{children}</Body>;

const Shown = ({ block, room, onOpen }: ShownProps & { block: Block }) => {
  const tones = useTones();
  switch (block.is) {
    case 'heading':
      return (
        <SlabBold size={24} heading={2} style={{ marginTop: 12 }}>
          <Spans spans={block.spans} onOpen={onOpen} />
        </SlabBold>
      );
    case 'paragraph':
      return (
        <Body>
          <Spans spans={block.spans} onOpen={onOpen} />
        </Body>
      );
    case 'list':
      return (
        <View style={{ gap: 8 }} role="list">
          {block.items.map((item, i) => (
            <View key={i} style={{ flexDirection: 'row', gap: 10 }} role="listitem">
              <Bold style={{ width: 24, textAlign: 'right' }}>{block.ordered ? `${i + 1}` : '·'}</Bold>
              <View style={{ flex: 1, gap: 6 }}>
                {item.map((inner, j) => (
                  <Shown key={j} block={inner} room={room - 34} onOpen={onOpen} />
                ))}
              </View>
            </View>
          ))}
        </View>
      );
    case 'table':
      return (
        <Card style={{ gap: 0, paddingVertical: 4 }}>
          {block.rows.map((row, i) => (
            <View
              key={i}
              style={{ flexDirection: 'row', gap: 12, paddingVertical: 8, borderTopWidth: i === 0 ? 0 : 1, borderTopColor: tones.line }}
            >
              {row.map((cell, j) => (
                <Body key={j} style={{ flex: j === 0 ? 2 : 3 }}>
                  <Spans spans={cell} onOpen={onOpen} />
                </Body>
              ))}
            </View>
          ))}
        </Card>
      );
    case 'code':
      return (
        <Card>
          <Mono>{block.text}</Mono>
        </Card>
      );
    case 'picture': {
      const width = Math.min(room, block.width) - 4;
      return (
        <View style={{ gap: 4 }}>
          <Image
            source={{ uri: block.src }}
            accessibilityLabel={block.alt}
            style={{
              width,
              height: Math.round((width * block.height) / block.width),
              borderRadius: 12,
              borderWidth: 2,
              borderColor: tones.line,
            }}
            resizeMode="contain"
          />
          <Small>{block.alt}</Small>
        </View>
      );
    }
  }
};
