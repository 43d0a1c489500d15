import type { Knex } from 'knex';

type Migration = { name: string; up(db: Knex): Promise<void>; down(): Promise<void> };

const onlyForward = () => Promise.reject(new Error('migrations only go forward; restore a backup instead'));

/** Only ever add to the end: an installation remembers which of these it has run. */
const ALL: readonly Migration[] = [
  {
    name: '001-begin',
    down: onlyForward,
    up: async (db) => {
      await db.schema.createTable('setting', (t) => {
        t.string('key').primary();
        t.text('value').notNullable();
      });
      await db.schema.createTable('person', (t) => {
        t.string('id').primary();
        t.string('salt').notNullable();
        t.string('name').notNullable();
        t.string('contact').notNullable().defaultTo('');
      });
      await db.schema.createTable('staff', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.string('nameFolded').notNullable().unique();
        t.string('role').notNullable();
        t.string('secret').notNullable();
        t.string('withdrawnAt');
        t.integer('version').notNullable().defaultTo(1);
      });
      await db.schema.createTable('device', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.string('token').notNullable().unique();
        t.boolean('enrolled').notNullable();
        t.string('createdAt').notNullable();
        t.string('seenAt');
        t.string('withdrawnAt');
        t.text('key');
        t.string('keyFingerprint').index();
      });
      await db.schema.createTable('enrolment', (t) => {
        t.string('code').primary();
        t.string('expiresAt').notNullable();
        t.string('madeBy').notNullable().references('staff.id');
      });
      await db.schema.createTable('session', (t) => {
        t.string('token').primary();
        t.string('staff').notNullable().references('staff.id');
        t.string('device').notNullable().references('device.id');
        t.string('grant').notNullable().index();
        t.string('expiresAt').notNullable();
        t.string('grantExpiresAt').notNullable();
        t.string('endedAt');
      });
      await db.schema.createTable('signInFailure', (t) => {
        t.string('key').primary();
        t.integer('count').notNullable();
        t.integer('lastMs').notNullable();
      });
      await db.schema.createTable('base', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.string('zone').notNullable();
        t.text('body').notNullable();
      });
      await db.schema.createTable('waters', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.text('body').notNullable();
      });
      await db.schema.createTable('boat', (t) => {
        t.string('id').primary();
        t.string('name').notNullable();
        t.string('hullNumber').notNullable();
        t.string('base').notNullable().references('base.id');
        t.integer('bookVersion').notNullable();
        t.string('lastSeal');
      });
      await db.schema.createTable('book', (t) => {
        t.string('boat').notNullable().references('boat.id');
        t.integer('version').notNullable();
        t.string('digest').notNullable();
        t.text('classBook').notNullable();
        t.text('boatBook').notNullable();
        t.text('laid').notNullable();
        t.primary(['boat', 'version']);
      });
      await db.schema.createTable('priceList', (t) => {
        t.integer('version').primary();
        t.string('digest').notNullable();
        t.text('body').notNullable();
      });
      await db.schema.createTable('hire', (t) => {
        t.string('id').primary();
        t.string('boat').notNullable().references('boat.id');
        t.string('base').notNullable().references('base.id');
        t.string('renter').notNullable().references('person.id');
        t.string('language').notNullable();
        t.integer('adults').notNullable();
        t.integer('children').notNullable();
        t.string('from').notNullable();
        t.string('to').notNullable();
        t.integer('depositMinor').notNullable();
        t.text('notes').notNullable().defaultTo('');
        t.integer('version').notNullable().defaultTo(1);
        t.integer('bookVersion');
        t.integer('priceVersion').notNullable().references('priceList.version');
        // Read off the record as it was up to event `seenSeq`; what has come since is looked at before anything is answered from these.
        t.string('state').notNullable().defaultTo('booked');
        t.string('castOffAt');
        t.string('cameInAt');
        t.text('hold');
        t.text('attention');
        t.integer('seenSeq').notNullable().defaultTo(0);
        t.index(['base', 'from']);
        t.index(['base', 'to']);
        t.index(['state', 'base']);
      });
      await db.raw('create index hire_attention on hire(id) where attention is not null');
      await db.schema.createTable('event', (t) => {
        t.increments('seq');
        t.string('id').notNullable().unique();
        t.string('hire').notNullable().references('hire.id');
        t.string('digest').notNullable();
        t.text('content').notNullable();
        t.string('actor').notNullable();
        t.string('role').notNullable();
        t.string('device').notNullable();
        t.string('receivedAt').notNullable();
        t.integer('behindMs').notNullable();
        t.index(['hire', 'seq']);
      });
      await db.schema.createTable('photo', (t) => {
        t.string('hire').notNullable().references('hire.id');
        t.string('sha').notNullable();
        t.string('media').notNullable();
        t.integer('bytes').notNullable();
        t.integer('width').notNullable();
        t.integer('height').notNullable();
        t.string('receivedAt').notNullable();
        t.primary(['hire', 'sha']);
      });
      await db.schema.createTable('seal', (t) => {
        t.string('event').primary().references('event.id');
        t.string('hire').notNullable().references('hire.id').index();
        t.string('walk').notNullable();
        t.string('root').notNullable();
        t.string('state').notNullable();
        t.string('receivedAt').notNullable();
        t.text('signature');
        t.string('key');
      });
      await db.schema.createTable('statement', (t) => {
        t.integer('number').primary();
        t.string('hire').notNullable().unique().references('hire.id');
        t.string('digest').notNullable();
        t.text('body').notNullable();
        t.string('closedAt').notNullable();
      });
    },
  },
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
];

/** Migrations live in the program, not in a folder beside it: the compiled server is one file. */
export const migrations: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...ALL]),
  getMigrationName: ({ name }) => name,
  getMigration: (one) => Promise.resolve(one),
};
