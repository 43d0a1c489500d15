import { type Migration, onlyForward } from './migration';

/** From the briefing to the statement: what a hire goes through, and what can go wrong with its record. */
export const ROUND: readonly Migration[] = [
  {
    name: '002-brief',
    down: onlyForward,
    up: async (db) => {
      for (const table of ['rules', 'classBook']) {
        await db.schema.createTable(table, (t) => {
          t.string('id').primary();
          t.text('body').notNullable();
          t.integer('version').notNullable().defaultTo(1);
        });
      }
      await db.schema.alterTable('boat', (t) => {
        t.string('waters').notNullable().defaultTo('');
      });
      await db.schema.alterTable('book', (t) => {
        t.string('madeAt');
        t.string('madeBy');
      });
      await db.schema.alterTable('hire', (t) => {
        t.string('handover').notNullable().defaultTo('staffed');
      });
      // Who is aboard, by name and mass: rows of their own, which can go while the seals over their digests stay good.
      await db.schema.createTable('sheet', (t) => {
        t.string('hire').notNullable().references('hire.id');
        t.string('sha').notNullable();
        t.text('body').notNullable();
        t.string('receivedAt').notNullable();
        t.primary(['hire', 'sha']);
      });
      await db.schema.createTable('renterLink', (t) => {
        t.string('token').primary();
        t.string('hire').notNullable().references('hire.id').index();
        t.string('madeBy').notNullable().references('staff.id');
        t.string('createdAt').notNullable();
        t.string('expiresAt').notNullable();
        t.string('withdrawnAt');
      });
      await db.schema.createTable('renterSession', (t) => {
        t.string('token').primary();
        t.string('link').notNullable().references('renterLink.token');
        t.string('hire').notNullable().references('hire.id');
        t.string('device').notNullable().references('device.id');
        t.string('expiresAt').notNullable();
      });
    },
  },
  {
    name: '003-key-safe-and-books',
    down: onlyForward,
    up: async (db) => {
      await db.schema.createTable('keyCode', (t) => {
        t.string('hire').primary().references('hire.id');
        t.string('code').notNullable();
        t.string('setBy').notNullable().references('staff.id');
        t.string('setAt').notNullable();
      });
      await db.schema.alterTable('base', (t) => {
        t.integer('version').notNullable().defaultTo(1);
      });
    },
  },
  {
    name: '004-past-books',
    down: onlyForward,
    up: async (db) => {
      for (const table of ['classBook', 'base'])
        await db.schema.alterTable(table, (t) => {
          t.string('madeAt');
          t.string('madeBy');
        });
      await db.schema.createTable('pastBook', (t) => {
        t.string('shelf').notNullable();
        t.string('book').notNullable();
        t.integer('version').notNullable();
        t.text('body').notNullable();
        t.string('madeAt');
        t.string('madeBy');
        t.primary(['shelf', 'book', 'version']);
      });
    },
  },
  {
    name: '005-comparisons',
    down: onlyForward,
    up: async (db) => {
      await db.schema.createTable('comparison', (t) => {
        t.string('hire').notNullable().references('hire.id');
        t.string('surface').notNullable();
        t.string('out').notNullable();
        t.string('back').notNullable();
        t.string('state').notNullable();
        t.integer('attempts').notNullable();
        t.string('leaseUntil');
        t.string('reason');
        t.text('boxes');
        t.primary(['hire', 'out', 'back']);
        t.index(['state']);
      });
    },
  },
  {
    name: '006-corrections',
    down: onlyForward,
    up: async (db) => {
      // A hire has one statement, and as many that put it right as it takes.
      await db.schema.createTable('statements', (t) => {
        t.integer('number').primary();
        t.string('hire').notNullable().references('hire.id').index();
        t.integer('corrects').references('statement.number');
        t.string('digest').notNullable();
        t.text('body').notNullable();
        t.string('closedAt').notNullable().index();
      });
      await db.raw(
        'insert into statements (number, hire, corrects, digest, body, closedAt) select number, hire, null, digest, body, closedAt from statement',
      );
      await db.schema.dropTable('statement');
      await db.schema.renameTable('statements', 'statement');
      // Lines of a closed statement that somebody has to settle.
      await db.schema.alterTable('hire', (t) => {
        t.integer('openLines').notNullable().defaultTo(0);
      });
      await db.raw('create unique index statement_one_a_hire on statement (hire) where corrects is null');
    },
  },
  {
    name: '007-holdings',
    down: onlyForward,
    up: async (db) => {
      // When the first of what is still held of a deposit is let go by itself.
      await db.schema.alterTable('hire', (t) => {
        t.string('holdEndsAt');
      });
      await db.raw('create index hire_hold on hire("holdEndsAt") where "holdEndsAt" is not null');
      // What was held before this is looked at once more: nothing new may ever come to such a hire.
      await db.raw(`update hire set "seenSeq" = 0 where id in (select hire from event where content like '%"depositAnswered"%')`);
      await db('setting').where({ key: 'lookedSeq' }).delete();
    },
  },
  {
    name: '008-broken-records',
    down: onlyForward,
    up: async (db) => {
      await db.schema.alterTable('event', (t) => {
        // How much one adds to the work of reading its hire.
        t.integer('weight').notNullable().defaultTo(1);
        // Taken out of the record by a manager, and why.
        t.string('asideAt');
        t.string('asideBy');
        t.text('asideWhy');
        t.index(['hire', 'device']);
      });
      await db.schema.alterTable('hire', (t) => {
        t.text('broken');
        t.integer('asides').notNullable().defaultTo(0);
        // What is still to be done to the boat before she goes out again.
        t.integer('openWork').notNullable().defaultTo(0);
        t.index(['boat', 'state']);
      });
      // What a manager has seen of what wanted their eye.
      await db.schema.createTable('attentionAside', (t) => {
        t.string('key').primary();
        t.string('by').notNullable();
        t.string('at').notNullable();
      });
    },
  },
  {
    name: '009-photographs-on-their-way',
    down: onlyForward,
    up: async (db) => {
      // Who sent it; nobody where the quay made it up, or where it came before this was asked.
      await db.schema.alterTable('photo', (t) => {
        t.string('role');
      });
      await db.schema.createTable('photoPart', (t) => {
        t.string('hire').notNullable().references('hire.id');
        t.string('sha').notNullable();
        t.string('device').notNullable();
        t.string('role').notNullable();
        t.integer('size').notNullable();
        t.string('touchedAt').notNullable().index();
        t.primary(['hire', 'sha']);
      });
    },
  },
  {
    name: '010-tries',
    down: onlyForward,
    up: async (db) => {
      await db.schema.dropTable('signInFailure');
      // As the limiter's package wants it.
      await db.schema.createTable('tries', (t) => {
        t.string('key').primary();
        t.integer('points').notNullable().defaultTo(0);
        t.integer('expire').index();
      });
    },
  },
  {
    name: '011-to-translate',
    down: onlyForward,
    up: (db) =>
      db.schema.createTable('toTranslate', (t) => {
        t.string('book').primary();
        t.text('texts').notNullable();
      }),
  },
  {
    name: '012-resolved-books',
    down: onlyForward,
    up: (db) => db.schema.alterTable('book', (t) => t.renameColumn('laid', 'resolved')),
  },
  {
    name: '013-price-lists-made',
    down: onlyForward,
    up: (db) =>
      // Nobody where it was imported, or begun with.
      db.schema.alterTable('priceList', (t) => {
        t.string('madeAt');
        t.string('madeBy');
      }),
  },
];
