import {
  type ColumnDef,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type RowData,
  type SortingState,
  useReactTable,
} from '@tanstack/react-table';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { FlatList, type TextStyle, View } from 'react-native';
import { DataTable } from 'react-native-paper';
import { FACE, useTones } from '../theme';
import { Body, Small } from '../words';

declare module '@tanstack/react-table' {
  // eslint-disable-next-line @typescript-eslint/no-unused-vars -- it is the library's own shape
  interface ColumnMeta<TData extends RowData, TValue> {
    /** Parts of the width it takes beside the others; one unless said. */
    share?: number;
    numeric?: boolean;
  }
}

export type Column<Row> = ColumnDef<Row, unknown>;

const SHOWN = { ascending: ' ↑', descending: ' ↓', none: '' } as const;
const NUMBERS: TextStyle = { fontVariant: ['lining-nums', 'tabular-nums'] };

/**
 * Rows of a desk: sorted by a press on a column's name, filtered by a word, only as many drawn as are seen. A column needs
 * an `id`, a `header`, what it is sorted and sought by (`accessorFn`) and how it is shown (`cell`).
 */
export const Table = <Row,>({
  label,
  rows,
  columns,
  idOf,
  sorted,
  find = '',
  onOpen,
  none,
  testID,
  selected,
  flows = false,
}: {
  label: string;
  rows: readonly Row[];
  columns: Column<Row>[];
  idOf: (row: Row) => string;
  /** By which column it is sorted at first. */
  sorted: { id: string; desc?: boolean };
  /** A word that has to stand in one of the columns. */
  find?: string;
  onOpen?: (row: Row) => void;
  /** What to say where no row is left. */
  none: ReactNode;
  /** Of each row, before its id. */
  testID: string;
  selected?: string;
  /** It lies on a page that scrolls, with all of its rows; else it scrolls by itself. For tables that are short. */
  flows?: boolean;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [sorting, setSorting] = useState<SortingState>([{ id: sorted.id, desc: sorted.desc ?? false }]);
  const table = useReactTable<Row>({
    data: rows as Row[],
    columns,
    state: { sorting, globalFilter: find },
    onSortingChange: setSorting,
    getRowId: idOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    globalFilterFn: 'includesString',
    enableSortingRemoval: false,
  });
  const shown = table.getRowModel().rows;
  const row = (one: (typeof shown)[number]) => (
    <DataTable.Row
      key={one.id}
      role="row"
      testID={`${testID}-${one.id}`}
      {...(onOpen ? { onPress: () => onOpen(one.original), 'aria-selected': one.id === selected } : {})}
      style={{ minHeight: 58, borderBottomColor: tones.line, backgroundColor: one.id === selected ? tones.primaryPale : 'transparent' }}
    >
      {one.getVisibleCells().map((cell) => {
        const { share, numeric } = cell.column.columnDef.meta ?? {};
        const { cell: draw } = cell.column.columnDef;
        const value = typeof draw === 'function' ? (draw(cell.getContext()) as ReactNode) : String(cell.getValue());
        return (
          <DataTable.Cell
            key={cell.id}
            role="cell"
            numeric={numeric ?? false}
            style={{ flex: share ?? 1, paddingVertical: 6, paddingRight: 10 }}
          >
            {typeof value === 'string' ? (
              <Body style={numeric ? NUMBERS : {}}>{value}</Body>
            ) : (
              <View style={{ flexShrink: 1 }}>{value}</View>
            )}
          </DataTable.Cell>
        );
      })}
    </DataTable.Row>
  );
  const header = (
    <DataTable.Header role="row" style={{ borderBottomWidth: 2, borderBottomColor: tones.ink, minHeight: 52 }}>
      {table.getFlatHeaders().map(({ column }) => {
        const { share, numeric } = column.columnDef.meta ?? {};
        const by = column.getIsSorted();
        const order = by === 'asc' ? 'ascending' : by === 'desc' ? 'descending' : 'none';
        const name = String(column.columnDef.header);
        return (
          <DataTable.Title
            key={column.id}
            role="columnheader"
            aria-sort={order}
            numeric={numeric ?? false}
            onPress={() => column.toggleSorting()}
            accessibilityHint={t('table.sort')}
            testID={`sort-${column.id}`}
            style={{ flex: share ?? 1, paddingRight: 10, minHeight: 52, alignItems: 'center' }}
            textStyle={{ fontFamily: FACE.bold, fontSize: 15, fontWeight: 'normal', color: by ? tones.ink : tones.soft }}
          >
            {name + SHOWN[order]}
          </DataTable.Title>
        );
      })}
    </DataTable.Header>
  );
  const empty = shown.length === 0 ? typeof none === 'string' ? <Small style={{ padding: 16 }}>{none}</Small> : none : null;
  return (
    <DataTable role="table" aria-label={label} aria-rowcount={shown.length + 1} style={flows ? {} : { flex: 1 }}>
      {header}
      {empty}
      {flows ? (
        shown.map(row)
      ) : shown.length > 0 ? (
        <FlatList role="rowgroup" tabIndex={0} data={shown} keyExtractor={({ id }) => id} renderItem={({ item }) => row(item)} />
      ) : null}
    </DataTable>
  );
};
