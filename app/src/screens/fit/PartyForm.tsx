import { mdiClose } from '@mdi/js';
import { type Person, SIZE_KG, SIZES, SWIMS } from '@quay/core/fit/people';
import type { RuleSet } from '@quay/core/fit/rules';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useDraft } from '../../data/draft';
import { bringIntoView } from '../../platform/browser';
import { Card, Notice, Tag } from '../../ui/board';
import { Field } from '../../ui/field';
import { Alt, Chip, Go, Row, Sign } from '../../ui/press';
import { Toggle } from '../../ui/toggle';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type Draft, type DraftFault, draftOf, newDraft, readDraft, sizeTaken } from './draft';

/** Where each fault is mended, by the beginning of its test id. */
const FIELD: Record<DraftFault, string> = { age: 'age', ageMissing: 'age', mass: 'mass', massMissing: 'mass', swimsMissing: 'swimming' };

/** Who is aboard: one card for each, the one in hand open. What is wrong is said at its field when it is kept. */
export const PartyForm = ({
  people,
  booked,
  rules,
  plate,
  draftName,
  onKeep,
}: {
  people: readonly Person[] | undefined;
  booked: number;
  rules: RuleSet | null;
  plate: number;
  /** What is typed and not yet kept is found again under this name. */
  draftName?: string;
  onKeep: (people: Person[]) => Promise<void>;
}) => {
  const { t } = useTranslation();
  const asKept = () => {
    if (people) return people.map(draftOf);
    const empty: Draft[] = [];
    while (empty.length < booked) empty.push(newDraft(empty));
    return empty;
  };
  const draft = useDraft<Draft[]>(draftName);
  const [rows, put] = useState<Draft[]>(asKept);
  const [found, setFound] = useState(false);
  const [open, setOpen] = useState<string | undefined>(people ? undefined : rows[0]?.id);
  const [faults, setFaults] = useState<Record<string, DraftFault[]>>({});
  const [busy, setBusy] = useState(false);
  const { before } = draft;
  useEffect(() => {
    if (!before || before.length === 0) return;
    put(before);
    setFound(true);
  }, [before]);
  const setRows = (next: Draft[]) => {
    put(next);
    draft.save(next);
  };
  const change = (id: string, part: Partial<Draft>) => {
    setRows(rows.map((row) => (row.id === id ? { ...row, ...part } : row)));
    setFaults({ ...faults, [id]: [] });
  };
  const wrongNow = rows.filter(({ id }) => (faults[id]?.length ?? 0) > 0);
  const keep = async () => {
    const read = rows.map((row) => ({ row, read: readDraft(row) }));
    const wrong = Object.fromEntries(read.flatMap(({ row, read: one }) => (one.ok ? [] : [[row.id, one.faults]])));
    setFaults(wrong);
    const [first] = Object.keys(wrong);
    if (first !== undefined) {
      setOpen(first);
      // The card opens first, then its field is where the eyes are.
      setTimeout(() => bringIntoView(`${FIELD[wrong[first]![0]!]}-${first}`), 60);
      return;
    }
    setBusy(true);
    try {
      await onKeep(read.flatMap(({ read: one }) => (one.ok ? [one.person] : [])));
      draft.drop();
      setFound(false);
    } finally {
      setBusy(false);
    }
  };
  const next = (id: string) => {
    const at = rows.findIndex((row) => row.id === id);
    setOpen(rows[at + 1]?.id);
  };
  return (
    <View style={{ gap: 12 }}>
      {found ? (
        <Notice
          kind="calm"
          title={t('party.begun')}
          action={
            <Alt
              label={t('party.anew')}
              onPress={() => {
                draft.drop();
                put(asKept());
                setFound(false);
              }}
              testID="party-anew"
            />
          }
        />
      ) : null}
      {rows.length > plate ? (
        <Tag kind="stop" size={16}>
          {t('party.overPlate', { n: rows.length, may: plate })}
        </Tag>
      ) : null}
      {rows.map((row, i) => (
        <PersonCard
          key={row.id}
          row={row}
          nth={i + 1}
          open={open === row.id}
          last={i === rows.length - 1}
          faults={faults[row.id] ?? []}
          rules={rules}
          onOpen={() => setOpen(open === row.id ? undefined : row.id)}
          onNext={() => next(row.id)}
          onChange={(part) => change(row.id, part)}
          {...(rows.length > 1 ? { onRemove: () => setRows(rows.filter(({ id }) => id !== row.id)) } : {})}
        />
      ))}
      <Alt
        label={t('party.add')}
        testID="add-person"
        onPress={() => {
          const row = newDraft(rows);
          setRows([...rows, row]);
          setOpen(row.id);
        }}
      />
      <Small>{t('party.private')}</Small>
      {wrongNow.length > 0 ? (
        <Notice
          kind="stop"
          title={t('party.wrong', {
            names: wrongNow.map((row) => row.name.trim() || t('party.person', { n: rows.indexOf(row) + 1 })).join(', '),
          })}
        />
      ) : null}
      <Go label={t('party.keep')} onPress={() => void keep()} busy={busy} testID="keep-party" />
    </View>
  );
};

const PersonCard = ({
  row,
  nth,
  open,
  last,
  faults,
  rules,
  onOpen,
  onNext,
  onChange,
  onRemove,
}: {
  row: Draft;
  nth: number;
  open: boolean;
  last: boolean;
  faults: readonly DraftFault[];
  rules: RuleSet | null;
  onOpen: () => void;
  onNext: () => void;
  onChange: (part: Partial<Draft>) => void;
  onRemove?: () => void;
}) => {
  const { t } = useTranslation();
  const size = sizeTaken(row);
  const name = row.name.trim() || t('party.person', { n: nth });
  const read = readDraft(row);
  const summary = [
    row.age.trim() ? t('party.years', { n: row.age.trim() }) : '',
    row.mass.trim() ? `${row.mass.trim()} kg` : size ? t(`party.size.${size}`) : '',
    row.swims === undefined || row.swims === 'well' ? '' : t(`party.swims.${row.swims}`),
    row.drives ? t('party.drives') : '',
    row.lookout ? t('party.lookout') : '',
  ].filter(Boolean);
  const fault = (...kinds: DraftFault[]) => {
    const found = faults.find((one) => kinds.includes(one));
    return found && t(`party.fault.${found}`);
  };
  if (!open) {
    return (
      <Card style={{ padding: 0 }}>
        <Row label={`${name}, ${summary.join(', ')}`} onPress={onOpen} testID={`person-${row.id}`} style={{ padding: 14, gap: 2 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
            <Bold size={18}>{name}</Bold>
            {read.ok ? null : <Tag kind="ask">{t('party.incomplete')}</Tag>}
          </View>
          {summary.length > 0 ? <Small>{summary.join(' · ')}</Small> : null}
        </Row>
      </Card>
    );
  }
  return (
    <Card style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <SlabBold size={22} heading={3} style={{ flex: 1 }}>
          {name}
        </SlabBold>
        {onRemove ? (
          <Sign path={mdiClose} label={t('party.remove', { name })} onPress={onRemove} plain testID={`remove-${row.id}`} />
        ) : null}
      </View>
      <Field label={t('party.name')} value={row.name} onChange={(text) => onChange({ name: text })} testID={`name-${row.id}`} />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <Field
            label={t('party.age')}
            value={row.age}
            numeric
            fault={fault('age', 'ageMissing')}
            onChange={(age) => onChange({ age })}
            testID={`age-${row.id}`}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Field
            label={t('party.mass')}
            value={row.mass}
            numeric
            unit="kg"
            fault={fault('mass', 'massMissing')}
            onChange={(mass) => onChange({ mass })}
            testID={`mass-${row.id}`}
          />
        </View>
      </View>
      {row.mass.trim() === '' ? (
        <View style={{ gap: 6 }}>
          <Small>{t('party.sizeInstead')}</Small>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('party.sizeInstead')}>
            {SIZES.map((one) => (
              <Chip
                key={one}
                label={`${t(`party.size.${one}`)} ${SIZE_KG[one][0]}–${SIZE_KG[one][1]}`}
                on={size === one}
                onPress={() => onChange({ size: one })}
                testID={`size-${one}`}
              />
            ))}
          </View>
          {size ? <Body>{t('party.sizeTook', { from: SIZE_KG[size][0], to: SIZE_KG[size][1] })}</Body> : null}
        </View>
      ) : null}
      <Small>{t('party.swimming')}</Small>
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}
        role="radiogroup"
        aria-label={t('party.swimming')}
        testID={`swimming-${row.id}`}
      >
        {SWIMS.map((one) => (
          <Chip
            key={one}
            label={t(`party.swims.${one}`)}
            on={row.swims === one}
            onPress={() => onChange({ swims: one })}
            testID={`swims-${one}`}
          />
        ))}
      </View>
      {fault('swimsMissing') ? (
        <Bold size={16} tone="leadText" live>
          {fault('swimsMissing')}
        </Bold>
      ) : null}
      <View style={{ gap: 4 }}>
        <Toggle
          label={t('party.drives')}
          on={row.drives === true}
          onChange={(drives) => onChange({ drives })}
          testID={`drives-${row.id}`}
        />
        {row.drives && rules?.driver.licence ? (
          <Toggle
            label={t('party.licence')}
            on={row.licence === true}
            onChange={(licence) => onChange({ licence })}
            testID={`licence-${row.id}`}
          />
        ) : null}
        <Toggle
          label={t('party.lookout')}
          on={row.lookout === true}
          onChange={(lookout) => onChange({ lookout })}
          testID={`lookout-${row.id}`}
        />
        <Toggle label={t('party.towed')} on={row.towed === true} onChange={(towed) => onChange({ towed })} testID={`towed-${row.id}`} />
      </View>
      {last ? null : <Alt label={t('party.next')} onPress={onNext} testID="next-person" />}
    </Card>
  );
};
