import type { Knex } from 'knex'
import { currentDraft } from '@juvena/core/entities/jobVersions'
import { listedOf, readDraft } from './listedJob.ts'

/** Numbered, forward only. A migration that has landed is never edited: add the next one. */
export const migrations: {
  name: string
  up: (db: Knex) => Promise<void>
  down: (db: Knex) => Promise<void>
}[] = [
  {
    name: '001-jobs-firm-diary',
    async up(db) {
      await db.schema.createTable('firm', (t) => {
        t.integer('id').primary()
        t.integer('revision').notNullable()
        t.text('body').notNullable()
        t.text('saved_at').notNullable()
      })
      await db.schema.createTable('jobs', (t) => {
        t.text('id').primary()
        t.integer('revision').notNullable()
        t.integer('version').notNullable()
        t.text('name').notNullable()
        t.text('body').notNullable()
        t.text('saved_at').notNullable()
        t.text('put_away_at').nullable()
        t.index(['put_away_at', 'saved_at'])
      })
      await db.schema.createTable('diary', (t) => {
        t.increments('sequence')
        t.text('id').notNullable().unique()
        t.text('job_id').notNullable().references('id').inTable('jobs')
        t.text('body').notNullable()
        t.text('received_at').notNullable()
        t.index(['job_id'])
      })
      for (const act of ['UPDATE', 'DELETE'])
        await db.raw(
          `CREATE TRIGGER diary_no_${act.toLowerCase()} BEFORE ${act} ON diary BEGIN SELECT RAISE(ABORT, 'the diary is append-only'); END`,
        )
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    name: '002-photos',
    async up(db) {
      await db.schema.createTable('photos', (t) => {
        t.text('id').primary()
        t.text('job_id').notNullable().references('id').inTable('jobs')
        t.text('zone').nullable()
        t.text('kind').notNullable()
        t.text('taken_on').notNullable()
        t.text('note').notNullable()
        t.integer('width').notNullable()
        t.integer('height').notNullable()
        t.integer('bytes').notNullable()
        t.float('latitude').nullable()
        t.float('longitude').nullable()
        t.text('added_at').notNullable()
        t.text('put_away_at').nullable()
        t.index(['job_id', 'taken_on'])
      })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // Jobs stored by versions 1 and 2: the drawing and the counts have other names, treatments and
    // lots an id. See jobVersions.
    name: '003-job-version-3',
    async up(db) {
      const rows = await db<{ id: string; body: string }>('jobs')
        .where('version', '<', 3)
        .select('id', 'body')
      for (const { id, body } of rows) {
        const draft = readDraft(body)
        // A damaged row stays as it is: it shows as such.
        if (draft !== null)
          await db('jobs')
            .where({ id })
            .update({ version: 3, body: JSON.stringify(currentDraft(draft)) })
      }
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    name: '004-stations',
    async up(db) {
      await db.schema.createTable('stations', (t) => {
        t.text('id').primary()
        t.integer('revision').notNullable()
        t.text('body').notNullable()
        t.boolean('simulated').notNullable()
        t.text('saved_at').notNullable()
        t.text('archived_at').nullable()
      })
      await db.schema.createTable('station_days', (t) => {
        t.text('station_id').notNullable().references('id').inTable('stations')
        t.text('day').notNullable()
        for (const name of ['low', 'high', 'rain', 'wind', 'humidity', 'radiation', 'soil'])
          t.float(name).nullable()
        t.primary(['station_id', 'day'])
      })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    name: '005-stock',
    async up(db) {
      await db.schema.createTable('seed_lots', (t) => {
        t.text('id').primary()
        t.integer('revision').notNullable()
        t.text('body').notNullable()
        t.text('saved_at').notNullable()
        t.text('archived_at').nullable()
      })
      await db.schema.createTable('stock_movements', (t) => {
        t.increments('sequence').primary()
        t.text('id').notNullable().unique()
        t.text('lot_id').notNullable().references('id').inTable('seed_lots')
        t.text('body').notNullable()
        t.text('received_at').notNullable()
        t.index(['lot_id'])
      })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // What is looked for and listed lies in columns, so that lists of many jobs read no drafts; the
    // season's rows and the history of every job are kept.
    name: '006-planned-revisions',
    async up(db) {
      await db.schema.alterTable('jobs', (t) => {
        for (const name of ['customer', 'place', 'time_zone'])
          t.text(name).notNullable().defaultTo('')
      })
      await db.schema.createTable('planned', (t) => {
        t.text('job_id').primary().references('id').inTable('jobs')
        // Counts the changes of what the plan hangs on; a row is stale until it was planned since
        // the last.
        t.integer('touched').notNullable().defaultTo(1)
        t.integer('stale').notNullable().defaultTo(1)
        t.text('time_zone').notNullable().defaultTo('')
        t.text('planned_on').nullable()
        t.text('sow_day').nullable()
        t.integer('from_shelf').notNullable().defaultTo(0)
        t.text('row').nullable()
        t.text('work').nullable()
        t.text('seed').nullable()
        t.text('rules').nullable()
      })
      await db.raw('CREATE INDEX planned_stale ON planned (stale, sow_day)')
      await db.raw('CREATE INDEX planned_order ON planned (sow_day IS NULL, sow_day, job_id)')
      await db.raw('CREATE INDEX planned_zone ON planned (time_zone, planned_on)')
      await db.schema.createTable('planned_days', (t) => {
        t.text('job_id').notNullable().references('id').inTable('jobs')
        t.text('day').notNullable()
        t.integer('steps').notNullable()
        t.integer('open').notNullable()
        t.double('crew_hours').notNullable()
        t.primary(['job_id', 'day'])
        t.index(['day'])
      })
      await db.schema.createTable('planned_by', (t) => {
        t.integer('id').primary()
        t.text('firm').notNullable()
        t.text('stations').notNullable()
        t.text('stock').notNullable()
      })
      await db.schema.createTable('job_revisions', (t) => {
        t.text('job_id').notNullable().references('id').inTable('jobs')
        t.integer('revision').notNullable()
        t.text('saved_at').notNullable()
        t.text('device').notNullable()
        t.text('body').notNullable()
        t.primary(['job_id', 'revision'])
      })
      const rows = await db<{
        id: string
        revision: number
        body: string
        saved_at: string
        put_away_at: string | null
      }>('jobs')
      for (const { id, revision, body, saved_at, put_away_at } of rows) {
        await db('jobs')
          .where({ id })
          .update(listedOf(readDraft(body)))
        await db('job_revisions').insert({ job_id: id, revision, saved_at, device: '', body })
        if (put_away_at === null)
          await db('planned').insert({ job_id: id, time_zone: listedOf(readDraft(body)).time_zone })
      }
      await db.raw(
        'CREATE INDEX jobs_listed ON jobs (put_away_at, saved_at DESC, id, name, customer, place, revision)',
      )
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // The diary stays append-only, but for a customer who is erased for good.
    name: '007-erasing',
    async up(db) {
      await db.schema.createTable('erasing', (t) => void t.text('job_id').primary())
      for (const act of ['UPDATE', 'DELETE']) {
        await db.raw(`DROP TRIGGER diary_no_${act.toLowerCase()}`)
        await db.raw(
          `CREATE TRIGGER diary_no_${act.toLowerCase()} BEFORE ${act} ON diary WHEN OLD.job_id NOT IN (SELECT job_id FROM erasing) BEGIN SELECT RAISE(ABORT, 'the diary is append-only'); END`,
        )
      }
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // What a job's plan came to is long, and read by the day or over all jobs; marking all jobs to
    // be planned again is done in the short rows beside it.
    name: '008-planned-parts',
    async up(db) {
      await db.schema.createTable('planned_parts', (t) => {
        t.text('job_id').primary().references('id').inTable('jobs')
        for (const part of ['row', 'work', 'seed', 'rules']) t.text(part).nullable()
      })
      await db.raw(
        'INSERT INTO planned_parts SELECT job_id, row, work, seed, rules FROM planned WHERE row IS NOT NULL',
      )
      for (const part of ['row', 'work', 'seed', 'rules'])
        await db.raw(`ALTER TABLE planned DROP COLUMN ${part}`)
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // Which jobs were erased, by id alone: backups made before still hold their names.
    name: '009-erased',
    async up(db) {
      await db.schema.createTable('erased', (t) => {
        t.text('job_id').primary()
        t.text('erased_at').notNullable()
      })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // When each job was sown before a change of the weather, to tell what the change moved.
    name: '010-sow-days-before',
    async up(db) {
      await db.schema.createTable('sow_days_before', (t) => {
        t.text('change_id').notNullable()
        t.text('job_id').notNullable()
        t.text('sow_day').nullable()
        t.index(['change_id', 'job_id'])
      })
      // Whose work lies on some days is told from the index alone.
      await db.schema.alterTable('planned_days', (t) => {
        t.dropIndex(['day'])
        t.index(['day', 'job_id'])
      })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // What the diaries say of the firm's own numbers: kept when a job is archived, gone when its
    // customer is erased.
    name: '011-observations',
    async up(db) {
      await db.schema.createTable('observations', (t) => {
        t.text('job_id').notNullable().references('id').inTable('jobs')
        t.text('value').notNullable()
        t.text('seen_on').notNullable()
        t.text('body').notNullable()
        t.index(['job_id'])
      })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // What each job still has to order, to order it once for several.
    name: '012-orders-of-jobs',
    async up(db) {
      await db.schema.alterTable('planned_parts', (t) => void t.text('orders').nullable())
      // What was planned before says nothing of it yet.
      await db('planned').update({ stale: 1 })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
  {
    // Which of the firm's machines each job still wants, to hold them against each other.
    name: '013-machines-of-jobs',
    async up(db) {
      await db.schema.alterTable('planned_parts', (t) => void t.text('machines').nullable())
      // Jobs with work on some days are told from the index alone.
      await db.raw('CREATE INDEX planned_days_work ON planned_days (day, job_id) WHERE steps > 0')
      // What was planned before says nothing of it yet.
      await db('planned').update({ stale: 1 })
    },
    async down() {
      throw new Error('Migrations go forward only')
    },
  },
]
