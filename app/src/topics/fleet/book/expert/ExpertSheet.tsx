import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import * as z from 'zod/mini';
import { JsonEditor } from '../../../../platform/json/jsonEditor';
import { type JsonPath, type JsonSchema, type Said, saidOf } from '../../../../platform/json/schemaHelp';
import { Notice } from '../../../../ui/board';
import { Button } from '../../../../ui/controls/button';
import { ModalSheet } from '../../../../ui/controls/modalSheet';
import { FACE, useTones } from '../../../../ui/theme';
import { Small } from '../../../../ui/words';
import type { Expert } from './expert';

/** So many faults are told at once. */
const MOST_FAULTS = 30;

type Read = { ok: true; value: unknown } | { ok: false };
const readJson = (text: string): Read => {
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch {
    // Where it is none is marked in the text.
    return { ok: false };
  }
};

/** What is wrong, each at the innermost place that Zod knows of. */
const issuesOf = (issues: readonly z.core.$ZodIssue[], path: JsonPath = []): { path: JsonPath; message: string }[] =>
  issues.flatMap((issue) => {
    const at = [...path, ...issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step))];
    // Of several kinds it could be, the one that fails the deepest is what was meant.
    if (issue.code === 'invalid_union' && issue.errors.length > 0) {
      const depth = (one: readonly z.core.$ZodIssue[]) => Math.max(0, ...one.map((inner) => inner.path.length));
      const [meant] = [...issue.errors].sort((a, b) => depth(b) - depth(a));
      if (meant && depth(meant) > 0) return issuesOf(meant, at);
    }
    return [{ path: at, message: issue.message }];
  });

/** A book as JSON, with its schema's help; kept like any other change of it. */
export const ExpertSheet = ({
  expert,
  title,
  fault,
  busy,
  onClose,
}: {
  expert: Expert;
  title: string;
  fault: string | undefined;
  busy: boolean;
  onClose: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const { height } = useWindowDimensions();
  const { schema, value, put } = expert;
  const [first] = useState(() => JSON.stringify(value, null, 2));
  const [text, setText] = useState(first);
  const described = useMemo(() => z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as JsonSchema, [schema]);
  const said = (one: Said): string => {
    if (one.is === 'one') return t('expert.one', { of: one.of.join(', ') });
    const { from, to } = one;
    const size =
      from === undefined
        ? to === undefined
          ? ''
          : t('expert.to', { to })
        : to === undefined
          ? t('expert.from', { from })
          : t('expert.between', { from, to });
    return [t(`expert.${one.is}`), size].filter(Boolean).join(', ');
  };
  const help = (name: string | undefined, schemas: readonly JsonSchema[]): string => {
    const label = name !== undefined && i18n.exists(`fleet.field.${name}`) ? t(`fleet.field.${name as 'name'}`) : '';
    const kinds = [...new Set(schemas.flatMap((one) => saidOf(one) ?? []).map(said))];
    return [label, kinds.join(` ${t('expert.or')} `)].filter(Boolean).join(' · ');
  };
  const faultsIn = (now: unknown) => {
    const read = schema.safeParse(now);
    return read.success ? [] : issuesOf(read.error.issues).slice(0, MOST_FAULTS);
  };
  const now = readJson(text);
  const wrong = now.ok ? faultsIn(now.value).length : 1;
  const same = text === first;
  return (
    <ModalSheet
      title={title}
      closeLabel={t('common.close')}
      onClose={onClose}
      broad
      footer={
        <Button
          mode="contained"
          label={same ? t('change.nothing') : wrong > 0 ? t('expert.wrong', { count: wrong }) : t('expert.keep')}
          disabled={same || wrong > 0}
          busy={busy}
          onPress={() => now.ok && put(now.value)}
          testID="keep-json"
        />
      }
    >
      <View style={{ gap: 8 }}>
        {fault ? <Notice kind="stop" title={fault} /> : null}
        <Small>{t('expert.why')}</Small>
        <JsonEditor
          text={first}
          schema={described}
          faultsIn={faultsIn}
          help={help}
          onChange={setText}
          label={title}
          height={Math.max(240, Math.round(height * 0.6))}
          colours={tones}
          font={FACE.text}
        />
      </View>
    </ModalSheet>
  );
};
