import type { Knex } from 'knex';

export type BoatRow = { id: string; name: string; hullNumber: string; base: string; bookVersion: number; className: string };

/** Boats with the name of their class and base, by name. */
export const boatsOf = async (db: Knex): Promise<BoatRow[]> => {
  type Row = Omit<BoatRow, 'className'> & { resolved: string };
  const rows = (await db('boat')
    .join('base', 'base.id', 'boat.base')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .orderBy('boat.name')
    .select('boat.id', 'boat.name', 'boat.hullNumber', 'base.name as base', 'boat.bookVersion', 'book.resolved')) as Row[];
  const classes = new Map(
    (await db('classBook').select('id', 'body')).map(({ id, body }) => [id, (JSON.parse(body) as { name: string }).name]),
  );
  return rows.map(({ resolved, ...row }) => {
    const [own = ''] = (JSON.parse(resolved) as { classes?: string[] }).classes ?? [];
    return { ...row, className: classes.get(own) ?? own };
  });
};
