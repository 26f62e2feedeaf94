import { z } from 'zod'
import type { StationClimate } from '@juvena/core/climate/placeYear'
import type { Outlook } from '@juvena/core/climate/station'
import type { WeatherDay } from '@juvena/core/climate/weatherSeries'
import type { FirmDraft } from '@juvena/core/entities/firm'
import type { JobDraft } from '@juvena/core/entities/job'
import type { StationDraft } from '@juvena/core/entities/station'
import type { SeedLotDraft } from '@juvena/core/entities/stock'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import type { SeasonRow } from '@juvena/core/present/seasonRow'
import type { YearPage } from '@juvena/core/present/yearPage'
import type { Message } from '@juvena/core/rules/message'
import type { OnShelf } from '@juvena/core/stock/shelf'
import { diaryEntry } from '@juvena/core/entities/diary'
import { stockMovement } from '@juvena/core/entities/stock'
import { JOB_FORMAT, filePhoto } from '@juvena/core/formats/jobFile'

/**
 * What each route answers, once: for the server's OpenAPI document, for the test that holds answers
 * against it, and as types for the pages.
 */
const day = z.iso.date()
/**
 * Something of the core that is held against an answer loosely: by what the schema names of it. The
 * type is the core's own.
 */
const coreType = <T>(schema: z.ZodType): z.ZodType<T> => schema as z.ZodType<T>
const revision = z.number().int().min(0)
/** A draft is kept as typed, valid or not. */
const named = z.looseObject({ name: z.string().optional() })
const draft = coreType<JobDraft>(named)
/** A message: a text of Juvena's own, or a template with its parts. */
const message = coreType<Message>(
  z.union([
    z.string(),
    z.strictObject({ template: z.string(), parts: z.record(z.string(), z.unknown()) }),
  ]),
)
const saved = z.strictObject({
  id: z.string(),
  revision,
  name: z.string(),
  savedAt: z.string(),
  archivedAt: z.string().nullable(),
})
const job = saved.extend({ draft })
const fullJob = job.extend({ diary: z.array(diaryEntry), today: day })
const backup = z.strictObject({ file: z.string(), madeAt: z.string(), bytes: z.number().int() })
const backupCheck = z.strictObject({
  file: z.string(),
  checkedAt: z.string(),
  jobs: z.number().int(),
  same: z.number().int(),
  wrong: z.array(z.string()),
})
const importedJob = fullJob.extend({
  imported: z.strictObject({ entries: z.number().int(), photographs: z.number().int() }),
})
const photo = z.strictObject({
  id: z.string(),
  jobId: z.string(),
  zone: z.string().nullable(),
  kind: z.enum(['ground', 'plan']),
  takenOn: day,
  note: z.string(),
  width: z.number(),
  height: z.number(),
  bytes: z.number(),
  position: z.strictObject({ latitude: z.number(), longitude: z.number() }).nullable(),
})
const span = z.strictObject({
  from: day,
  to: day,
  state: z.enum(['open', 'marginal', 'shut']),
  reason: z.string(),
})
const row = coreType<SeasonRow>(
  z.strictObject({
    id: z.string(),
    name: z.string(),
    customer: z.string(),
    area: z.number().nullable(),
    zones: z.number().int(),
    customerDate: day.nullable(),
    state: z.enum([
      'no-zones',
      'planned',
      'under-way',
      'growing',
      'done',
      'cannot',
      'failed',
      'working',
    ]),
    options: z.array(message),
    trouble: z.strictObject({ level: z.enum(['hold', 'warn']), title: message }).nullable(),
    approach: z.string(),
    lanes: z.array(
      z.strictObject({
        id: z.string(),
        kind: z.string(),
        zones: z.array(z.string()),
        window: z.array(span),
        byGrass: z.array(z.strictObject({ grass: z.string(), window: z.array(span), cutOff: day })),
        cutOff: day,
        day,
        fits: z.boolean(),
        worth: z.array(z.number()),
      }),
    ),
    cutOff: day.nullable(),
    sowDay: day.nullable(),
    sows: z.boolean(),
    steps: z.array(
      z.strictObject({
        id: z.string(),
        lane: z.string(),
        kind: z.string(),
        name: message,
        day,
        span: z.number().int(),
        state: z.enum(['planned', 'pinned', 'done', 'unrecorded']),
        hours: z.number(),
        people: z.number(),
      }),
    ),
    next: z.strictObject({ name: message, day }).nullable(),
    soil: z.array(z.number()),
  }),
)
const inputRef = z.union([
  z.string(),
  z.array(z.string()),
  z.strictObject({ value: z.unknown(), unit: z.string() }),
  z.strictObject({ values: z.array(z.union([z.number(), z.string()])), unit: z.string() }),
])
const figure = z.looseObject({
  id: z.string(),
  rule: z.string(),
  origin: z.enum(['typed', 'assumed', 'setting', 'table', 'worked']),
  label: message,
  value: z.union([
    z.number(),
    z.string(),
    z.strictObject({
      low: z.union([z.number(), z.string()]),
      high: z.union([z.number(), z.string()]),
    }),
  ]),
  unit: z.string(),
  inputs: z.record(z.string(), inputRef),
  standing: z.string(),
  stage: z.number().int().min(1).max(8),
})
const notice = z.looseObject({
  id: z.string(),
  stage: z.number().int(),
  level: z.enum(['hold', 'warn', 'note']),
  title: message,
  says: message,
})
const read = z.number().nullable()
const stationDay = coreType<WeatherDay>(z.looseObject({ day, low: read, high: read, rain: read }))
const outlook = coreType<Outlook>(
  z.strictObject({
    source: z.string(),
    simulated: z.boolean(),
    days: z.array(
      z.looseObject({
        day,
        low: z.number(),
        high: z.number(),
        rain: z.number(),
        wind: z.number(),
        soil: z.number(),
      }),
    ),
  }),
)
/** What is known of a station: see StationClimate in the core. */
const climate = coreType<StationClimate>(
  z.looseObject({
    station: z.looseObject({ id: z.string(), name: z.string(), simulated: z.boolean() }),
    basis: z.enum(['record', 'normals']),
  }),
)
const atSite = {
  station: climate.nullable(),
  recent: z.array(stationDay),
  outlook: outlook.nullable(),
}
const station = z.looseObject({
  id: z.string(),
  revision,
  draft: coreType<StationDraft>(named),
  simulated: z.boolean(),
  weather: z.looseObject(atSite).nullable(),
})
const shelf = coreType<OnShelf>(
  z.looseObject({
    held: z.number(),
    reserved: z.number(),
    free: z.number(),
    used: z.number(),
    short: z.strictObject({ on: day, kg: z.number(), movement: z.string() }).nullable(),
  }),
)
const lot = z.strictObject({
  id: z.string(),
  revision,
  draft: coreType<SeedLotDraft>(z.looseObject({ number: z.string().optional() })),
  savedAt: z.string(),
  archivedAt: z.string().nullable(),
  shelf,
})
const moves = z.strictObject({
  id: z.string(),
  working: z.number().int(),
  moved: z.array(
    z.strictObject({ id: z.string(), name: z.string(), from: day.nullable(), to: day.nullable() }),
  ),
})

const told = z.strictObject({ title: message, says: message })
const dayStep = z.strictObject({
  id: z.string(),
  kind: z.string(),
  name: message,
  how: message,
  why: message,
  zones: z.array(z.string()),
  where: z.string(),
  day,
  latest: day.nullable(),
  state: z.string(),
  ticks: z.array(diaryEntry),
  twice: z.boolean(),
  hours: z.number(),
  people: z.number(),
  amounts: z.array(
    z.strictObject({
      zone: z.string(),
      what: message,
      value: z.union([
        z.number(),
        z.string(),
        z.strictObject({
          low: z.union([z.number(), z.string()]),
          high: z.union([z.number(), z.string()]),
        }),
      ]),
      unit: z.string(),
      pans: z.number().int(),
      detail: message,
    }),
  ),
  look: z
    .strictObject({
      counts: z.enum(['cover', 'seen']),
      asks: message,
      yes: z.strictObject({ when: message, says: message }),
      no: z.strictObject({ when: message, says: message }),
      answer: z.enum(['yes', 'no']).nullable(),
    })
    .nullable(),
  cautions: z.array(z.string()),
  product: z.string(),
  against: z.array(told),
  lots: z.array(z.strictObject({ lot: z.string(), zone: z.string(), kg: z.number() })),
})
const dayJob = z.strictObject({
  id: z.string(),
  name: z.string(),
  customer: z.string(),
  address: z.string(),
  phone: z.string(),
  notes: z.string(),
  below: z.string(),
  beside: z.string(),
  waterer: z.string(),
  holds: z.array(told),
  steps: z.array(dayStep),
  water: z.array(
    z.strictObject({
      day,
      where: z.string(),
      advice: z.enum(['planned', 'off', 'less', 'more', 'dry', 'barred']),
      runs: z.array(z.string()),
      each: z.array(
        z.strictObject({ zone: z.string(), value: z.number(), unit: z.enum(['min', 'L']) }),
      ),
      says: message,
    }),
  ),
  weather: diaryEntry.shape.weather,
})

export const answers = {
  day: z.strictObject({
    today: day,
    on: day,
    working: z.number().int(),
    jobs: z.array(dayJob),
    week: z.array(z.strictObject({ day, steps: z.number().int(), hours: z.number() })),
  }),
  today: z.strictObject({ today: day, demo: z.boolean(), open: z.boolean() }),
  /** Whether the firm is opened anew by itself; else by the next start. */
  restoring: z.strictObject({ reopens: z.boolean() }),
  damaged: z.strictObject({
    rows: z.array(
      z.strictObject({
        table: z.enum(['stations', 'seed_lots', 'stock_movements', 'firm']),
        id: z.string(),
        what: z.string(),
      }),
    ),
  }),
  rowRestored: z.strictObject({ file: z.string() }),
  backups: z.strictObject({
    folder: z.string(),
    backups: z.array(backup),
    checks: z.array(backupCheck),
    stillHeld: z.array(
      z.strictObject({ where: z.string(), jobs: z.number().int(), until: day.nullable() }),
    ),
  }),
  backupCheck,
  deleted: z.strictObject({ deleted: z.literal(true) }),
  backup: z.strictObject({
    backup,
    jobs: z.number().int(),
    entries: z.number().int(),
    photographs: z.number().int(),
  }),
  firm: z.strictObject({
    revision,
    savedAt: z.string(),
    draft: coreType<FirmDraft>(named),
  }),
  jobs: z.array(saved.extend({ customer: z.string(), place: z.string() })),
  saved,
  job,
  fullJob,
  importedJob,
  revisions: z.strictObject({
    revisions: z.array(z.strictObject({ revision, savedAt: z.string(), device: z.string() })),
  }),
  revision: z.strictObject({ revision, draft }),
  erased: z.strictObject({
    records: z.number().int(),
    entries: z.number().int(),
    photographs: z.number().int(),
    traces: z.boolean(),
  }),
  archived: z.strictObject({ archived: z.boolean() }),
  diary: z.strictObject({ added: z.boolean(), diary: z.array(diaryEntry) }),
  plan: coreType<JobPlan>(
    z.looseObject({
      today: day,
      figures: z.record(z.string(), figure),
      notices: z.array(notice),
      zones: z.array(z.looseObject({ id: z.string(), name: z.string() })),
      steps: z.array(z.looseObject({ id: z.string(), kind: z.string(), chosen: day })),
    }),
  ),
  season: z.strictObject({
    today: day,
    working: z.number().int(),
    total: z.number().int(),
    rows: z.array(row),
  }),
  seasonLoad: z.strictObject({
    days: z.array(
      z.strictObject({
        day,
        steps: z.number().int(),
        crewHours: z.number(),
        watered: z.number().int(),
      }),
    ),
    next: day.nullable(),
  }),
  seasonSeed: z.strictObject({
    toBuy: z.array(
      z.strictObject({
        key: z.string(),
        mix: message,
        jobs: z.array(
          z.strictObject({
            job: z.string(),
            name: z.string(),
            sowDay: day.nullable(),
            kg: z.number(),
            fromShelf: z.number(),
            pans: z.array(z.strictObject({ zone: z.string(), kg: z.number() })),
          }),
        ),
        wanted: z.number(),
        fromShelf: z.number(),
        packs: z
          .strictObject({
            counts: z.array(z.strictObject({ size: z.number(), count: z.number().int() })),
            unit: z.enum(['kg', 'lb']),
            bought: z.number(),
            left: z.number(),
            cost: z.number().nullable(),
          })
          .nullable(),
        apart: z.number(),
      }),
    ),
  }),
  seasonOrders: z.strictObject({
    jobs: z.array(z.strictObject({ id: z.string(), name: z.string(), chosen: z.boolean() })),
    orders: z.array(
      z.strictObject({
        supplier: z.string(),
        name: z.string(),
        lines: z.array(
          z.strictObject({
            what: message,
            of: message,
            product: z.string(),
            says: message,
            money: z.number(),
            jobs: z.array(
              z.strictObject({
                job: z.string(),
                name: z.string(),
                need: z.number(),
                unit: z.string(),
                neededOn: day.nullable(),
              }),
            ),
          }),
        ),
        delivery: z.number(),
        total: z.number(),
        apart: z.number(),
        orderBy: day.nullable(),
        late: z.boolean(),
      }),
    ),
  }),
  seasonMachines: z.strictObject({
    machines: z.array(
      z.strictObject({
        machine: z.string(),
        name: message,
        own: z.boolean(),
        days: z.array(
          z.strictObject({
            day,
            hours: z.number(),
            jobs: z.array(z.strictObject({ job: z.string(), name: z.string(), hours: z.number() })),
            over: z.boolean(),
          }),
        ),
        together: z.strictObject({ cost: z.number(), says: message }).nullable(),
        apart: z.number().nullable(),
        jobs: z.number(),
        buyFrom: z.number().nullable(),
      }),
    ),
  }),
  learnt: z.strictObject({
    numbers: z.array(
      z.strictObject({
        value: z.string(),
        says: z.string(),
        unit: z.string(),
        usual: z.number(),
        n: z.number(),
        middle: z.number(),
        low: z.number(),
        high: z.number(),
        offered: z.number(),
        between: z.strictObject({ low: z.number(), high: z.number() }).nullable(),
        newest: z.array(
          z.strictObject({
            job: z.string(),
            name: z.string(),
            value: z.string(),
            unit: z.string(),
            is: z.number(),
            where: z.string(),
            on: z.string(),
            entry: z.string(),
          }),
        ),
      }),
    ),
  }),
  uses: z.strictObject({
    total: z.number().int(),
    jobs: z.array(z.strictObject({ id: z.string(), name: z.string() })),
  }),
  stations: z.strictObject({ stations: z.array(station) }),
  stationChange: z.strictObject({ station, moves }),
  moves,
  stationDays: z.strictObject({ days: z.array(stationDay) }),
  daysAdded: z.strictObject({
    added: z.number().int(),
    changed: z.number().int(),
    same: z.number().int(),
    moves,
  }),
  year: z.strictObject({
    place: z.strictObject({
      name: z.string(),
      station: climate.nullable(),
      frost: z.string().nullable(),
      site: z.strictObject({
        latitude: z.number().nullable(),
        longitude: z.number().nullable(),
        elevation: z.number().nullable(),
      }),
    }),
    year: coreType<YearPage>(
      z.looseObject({
        first: day,
        today: z.number().int(),
        basis: z.enum(['record', 'normals', 'rough']),
        rows: z.array(z.looseObject({ id: z.string() })),
      }),
    ),
  }),
  weather: z.strictObject({
    ...atSite,
    /** The first −2 °C night ahead: one year in ten by, and even by. */
    frostDates: z.strictObject({ tenth: day, even: day }).nullable(),
    today: day,
    place: z.string().optional(),
  }),
  towns: z.strictObject({
    towns: z.array(
      z.strictObject({
        name: z.string(),
        region: z.string(),
        country: z.string(),
        latitude: z.number(),
        longitude: z.number(),
        timeZone: z.string(),
      }),
    ),
  }),
  stock: z.strictObject({ lots: z.array(lot) }),
  lot,
  movements: z.strictObject({
    movements: z.array(stockMovement),
    jobs: z.record(z.string(), z.string()),
  }),
  jobFile: z.strictObject({
    format: z.literal(JOB_FORMAT),
    version: z.number().int(),
    job: draft,
    diary: z.array(diaryEntry),
    photos: z.array(filePhoto),
  }),
  photo,
  photos: z.array(photo),
  problem: z.looseObject({
    type: z.string().optional(),
    title: z.string(),
    status: z.number().int(),
    detail: z.string(),
    problems: z.array(z.strictObject({ path: z.string(), sentence: z.string() })).optional(),
  }),
}

/** An answer as it comes, by its name. */
export type Answer<Name extends keyof typeof answers> = z.output<(typeof answers)[Name]>
