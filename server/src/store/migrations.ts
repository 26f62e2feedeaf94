import type { Knex } from 'knex'
import { currentDraft } from '@juvena/core/entities/jobVersions'

/** Numbered, forward only. A migration that has landed is never edited: add the next one. */
export const migrations: { name: string; up: (db: Knex) => Promise<void>; down: (db: Knex) => Promise<void> }[] = [
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
        await db.raw(`CREATE TRIGGER diary_no_${act.toLowerCase()} BEFORE ${act} ON diary BEGIN SELECT RAISE(ABORT, 'the diary is append-only'); END`)
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
    // Jobs stored by versions 1 and 2: the drawing and the counts have other names, treatments and lots an id. See jobVersions.
    name: '003-job-version-3',
    async up(db) {
      const rows = await db<{ id: string; body: string }>('jobs').where('version', '<', 3).select('id', 'body')
      for (const { id, body } of rows)
        await db('jobs')
          .where({ id })
          .update({ version: 3, body: JSON.stringify(currentDraft(JSON.parse(body) as unknown)) })
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
        for (const name of ['low', 'high', 'rain', 'wind', 'humidity', 'radiation', 'soil']) t.float(name).nullable()
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
]
