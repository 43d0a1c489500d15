import { type Migration, onlyForward } from './migration';

/** An operator, its people, phones, fleet, waters and hires. */
export const BEGIN: readonly Migration[] = [
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
];
