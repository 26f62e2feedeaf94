import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { sure } from '@juvena/core/quantities/sure'
import { bodyOf } from './damaged.ts'
import { asOne } from './transaction.ts'
import type { WeatherDay } from '@juvena/core/climate/weatherSeries'
import type { StationDraft } from '@juvena/core/entities/station'

export interface StoredStation {
  id: string
  revision: number
  draft: StationDraft
  /** Its weather is made up. */
  simulated: boolean
  savedAt: string
  archivedAt: string | null
}

interface Row {
  id: string
  revision: number
  body: string
  simulated: 0 | 1
  saved_at: string
  archived_at: string | null
}
interface DayRow extends Required<WeatherDay> {
  station_id: string
}

const READ = ['low', 'high', 'rain', 'wind', 'humidity', 'radiation', 'soil'] as const

/** Weather stations of the firm, and their days. */
export function stationStore(db: Knex) {
  /** Null where what is stored of it is damaged. */
  const fromRow = (row: Row): StoredStation | null => {
    const draft = bodyOf<StationDraft>(db, 'stations', row.id, row.body)
    return (
      draft && {
        id: row.id,
        revision: row.revision,
        draft,
        simulated: row.simulated === 1,
        savedAt: row.saved_at,
        archivedAt: row.archived_at,
      }
    )
  }
  return {
    async list(): Promise<StoredStation[]> {
      const rows = await db<Row>('stations').whereNull('archived_at').orderBy('saved_at')
      return rows.flatMap((row) => fromRow(row) ?? [])
    },

    async get(id: string): Promise<StoredStation | null> {
      const row = await db<Row>('stations').where({ id }).first()
      return row ? fromRow(row) : null
    },

    async create(
      draft: StationDraft,
      now: string,
      { id = randomUUID() as string, simulated = false } = {},
    ): Promise<StoredStation> {
      const row: Row = {
        id,
        revision: 1,
        body: JSON.stringify(draft),
        simulated: simulated ? 1 : 0,
        saved_at: now,
        archived_at: null,
      }
      await db<Row>('stations').insert(row)
      return sure(fromRow(row))
    },

    /** Saves on top of a revision; null when another save came first. */
    async save(
      id: string,
      revision: number,
      draft: StationDraft,
      now: string,
    ): Promise<StoredStation | null> {
      const changed = await db<Row>('stations')
        .where({ id, revision })
        .update({ revision: revision + 1, body: JSON.stringify(draft), saved_at: now })
      const row = changed === 1 ? await db<Row>('stations').where({ id }).first() : null
      return row ? fromRow(row) : null
    },

    async setArchived(id: string, at: string | null): Promise<boolean> {
      return (await db<Row>('stations').where({ id }).update({ archived_at: at })) === 1
    },

    /** Days in order, from one day on where one is given. */
    async days(id: string, from = ''): Promise<WeatherDay[]> {
      const rows = await db<DayRow>('station_days')
        .where({ station_id: id })
        .where('day', '>=', from)
        .orderBy('day')
      return rows.map(({ station_id: _, ...day }) => day)
    },

    /**
     * Keeps days, all or none. What a day holds already and the new one does not is kept. Says how
     * many were new, changed, and the same as before.
     */
    async addDays(
      id: string,
      days: readonly WeatherDay[],
    ): Promise<{ added: number; changed: number; same: number }> {
      return asOne(db, async (trx) => {
        const known = new Map(
          (await trx<DayRow>('station_days').where({ station_id: id })).map((row) => [
            row.day,
            row,
          ]),
        )
        const result = { added: 0, changed: 0, same: 0 }
        const rows: DayRow[] = []
        for (const day of days) {
          const before = known.get(day.day)
          const row = {
            station_id: id,
            day: day.day,
            ...Object.fromEntries(READ.map((name) => [name, day[name] ?? before?.[name] ?? null])),
          } as DayRow
          if (!before) result.added++
          else if (READ.every((name) => before[name] === row[name])) {
            result.same++
            continue
          } else result.changed++
          rows.push(row)
        }
        // SQLite takes so many values in one statement.
        for (let i = 0; i < rows.length; i += 50)
          await trx<DayRow>('station_days')
            .insert(rows.slice(i, i + 50))
            .onConflict(['station_id', 'day'])
            .merge()
        if (rows.length > 0) await trx<Row>('stations').where({ id }).increment('revision', 1)
        return result
      })
    },
  }
}
export type StationStore = ReturnType<typeof stationStore>
