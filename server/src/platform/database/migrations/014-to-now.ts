import { type Migration, onlyForward } from './migration';

/** What an operator sets up and changes in the program: bookings, prices, staff, what was learnt. The next one goes to its end. */
export const OWN_QUAY: readonly Migration[] = [
  {
    name: '014-out-of-service',
    down: onlyForward,
    up: async (db) => {
      await db.schema.createTable('outOfService', (t) => {
        t.string('id').primary();
        t.string('boat').notNullable().references('boat.id');
        t.string('from').notNullable();
        // Nothing: until somebody says otherwise.
        t.string('to');
        t.string('why').notNullable();
        t.string('madeBy').notNullable();
        t.string('madeAt').notNullable();
        t.index(['boat', 'from']);
      });
      // So many her plate allows: asked for of every boat at every booking, and a whole book is much to read for one figure.
      await db.schema.alterTable('book', (t) => {
        t.integer('people').notNullable().defaultTo(0);
        // With the figure in it: what stands behind a whole book in its row is read only after the book.
        t.index(['boat', 'version', 'people']);
      });
      await db.raw(`update book set people = json_extract(resolved, '$.plate.people')`);
      // A boat's time is asked for at every booking, and a person's hires whenever they come again.
      await db.schema.alterTable('hire', (t) => {
        t.index(['boat', 'from']);
        t.index(['renter']);
      });
    },
  },
  {
    name: '015-clashed-hires',
    down: onlyForward,
    up: async (db) => {
      // Taken although somebody else had the boat: booked where there was no signal.
      await db.schema.alterTable('hire', (t) => t.integer('clashed').notNullable().defaultTo(0));
      await db.raw('create index hire_clashed on hire (id) where clashed = 1');
    },
  },
  {
    name: '016-bookings-of-elsewhere',
    down: onlyForward,
    up: async (db) => {
      // What somebody is about to load; kept for a day.
      await db.schema.createTable('incomingFile', (t) => {
        t.string('sha').primary();
        t.string('name').notNullable();
        t.binary('bytes').notNullable();
        t.string('at').notNullable();
      });
      await db.schema.createTable('bookingSource', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.text('reading').notNullable();
        // Of a table: what stands at the head of its columns, by which it is known again.
        t.text('heads');
        t.text('address');
        t.integer('everyMinutes');
        t.string('etag');
        t.string('checkedAt');
        t.text('last');
        t.string('madeAt').notNullable();
        t.string('madeBy').notNullable();
        t.string('withdrawnAt');
      });
      await db.schema.createTable('bookingFrom', (t) => {
        t.string('source').notNullable().references('bookingSource.id');
        t.string('key').notNullable();
        t.string('hire').notNullable().references('hire.id');
        t.integer('sequence').notNullable();
        t.text('was').notNullable();
        t.primary(['source', 'key']);
        t.index('hire');
      });
      await db.schema.createTable('calendarAddress', (t) => {
        t.string('id').primary();
        t.string('token').notNullable().unique();
        t.string('base').notNullable().references('base.id');
        t.string('boat').references('boat.id');
        t.integer('names').notNullable();
        t.string('madeAt').notNullable();
        t.string('madeBy').notNullable();
        t.string('askedAt');
        t.string('withdrawnAt');
      });
    },
  },
  {
    name: '017-prices-from-a-day-on',
    down: onlyForward,
    up: (db) =>
      db.schema.alterTable('priceList', (t) => {
        // Local day from which it holds; nothing: as long as there has been a list.
        t.string('validFrom');
        // Planned, and put another way before its day came: nothing is booked by it any more.
        t.string('withdrawnAt');
      }),
  },
  {
    name: '018-staff-languages-and-bases',
    down: onlyForward,
    up: (db) =>
      db.schema.alterTable('staff', (t) => {
        // JSON lists; without a base somebody works at every one.
        t.text('languages').notNullable().defaultTo('[]');
        t.text('bases').notNullable().defaultTo('[]');
      }),
  },
  {
    name: '019-a-boats-time',
    down: onlyForward,
    up: (db) =>
      db.schema.alterTable('hire', (t) => {
        t.dropIndex(['boat', 'from']);
        // Holds all that a calendar shows of a hire: the wide rows of a month lie far apart in the file.
        t.index(['boat', 'from', 'to', 'state', 'renter', 'adults', 'children', 'version', 'id'], 'hire_time');
      }),
  },
  {
    name: '020-judged-boxes',
    down: onlyForward,
    up: (db) =>
      db.schema.createTable('judgedBox', (t) => {
        t.string('hire').notNullable().references('hire.id');
        t.string('back').notNullable();
        t.string('box').notNullable();
        t.string('boat').notNullable().references('boat.id');
        t.string('surface').notNullable();
        t.float('strength').notNullable();
        t.boolean('flaw').notNullable();
        // Somebody said that it must not count any more.
        t.boolean('forgotten').notNullable().defaultTo(false);
        t.primary(['hire', 'back', 'box']);
        t.index(['boat', 'surface']);
      }),
  },
  {
    name: '021-tracks',
    down: onlyForward,
    up: (db) =>
      db.schema.createTable('track', (t) => {
        t.string('id').primary();
        t.string('hire').notNullable().references('hire.id').index();
        t.string('name').notNullable();
        t.string('addedAt').notNullable();
        t.string('addedBy').notNullable();
        t.text('report').notNullable();
      }),
  },
  {
    name: '022-versions-of-waters',
    down: onlyForward,
    up: (db) => db.schema.alterTable('waters', (t) => t.integer('version').notNullable().defaultTo(1)),
  },
];
