import type { DayHire } from '@quay/core/day/board';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { whenOf } from '../../ui/format';
import { type Column, Table } from '../../ui/controls/table';
import { Slab } from '../../ui/words';
import { HireState, useHireState } from './HireState';

/** A week of hires on a desk: sorted by any column, found by a word. */
export const BookedTable = ({
  hires,
  zone,
  now,
  find,
  none,
  onOpen,
}: {
  hires: readonly DayHire[];
  zone: string;
  now: number;
  find: string;
  none: string;
  onOpen: (id: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  const stateOf = useHireState();
  const columns: Column<DayHire>[] = [
    {
      id: 'from',
      header: t('bookings.leaves'),
      accessorFn: ({ from }) => from,
      cell: ({ row }) => whenOf(row.original.from, zone, now, i18n.language),
      meta: { share: 1.4 },
    },
    {
      id: 'boat',
      header: t('bookings.boat'),
      accessorFn: ({ boat }) => boat,
      cell: ({ row }) => <Slab size={18}>{row.original.boat}</Slab>,
      meta: { share: 1.6 },
    },
    {
      id: 'renter',
      header: t('bookings.renter'),
      accessorFn: ({ renter }) => renter,
      cell: ({ row }) => row.original.renter,
      meta: { share: 1.6 },
    },
    {
      id: 'party',
      header: t('bookings.aboard'),
      accessorFn: ({ party }) => party,
      cell: ({ row }) => String(row.original.party),
      meta: { share: 0.7, numeric: true },
      enableGlobalFilter: false,
    },
    {
      id: 'to',
      header: t('bookings.back'),
      accessorFn: ({ to }) => to,
      cell: ({ row }) => whenOf(row.original.to, zone, now, i18n.language),
      meta: { share: 1.4 },
    },
    {
      id: 'state',
      header: t('bookings.state'),
      accessorFn: stateOf,
      cell: ({ row }) => <HireState hire={row.original} />,
      meta: { share: 1.4 },
    },
  ];
  const rows = useMemo(() => [...hires], [hires]);
  return (
    <Table
      label={t('nav.bookings')}
      rows={rows}
      columns={columns}
      idOf={({ id }) => id}
      sorted={{ id: 'from' }}
      find={find}
      none={none}
      onOpen={({ id }) => onOpen(id)}
      testID="booked"
    />
  );
};
