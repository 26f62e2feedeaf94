import type { Day } from '../calendar/day.ts'
import type { FigureId, StepId } from '../rules/id.ts'
import type { GrassId } from '../reference/grasses.ts'
import type { Figure } from '../trace/figure.ts'
import type { PlannedStep } from './order.ts'

export interface PackageFollow {
  workPackage: string
  /** Whether anything was sown, set or laid. */
  plants: boolean
  /** The day of the sowing, or of what the days hang on where nothing is sown. */
  sown: Day
  up: { grass: GrassId; figure: Figure }[]
  /** Warmth it takes by the seedlings that were counted, times its table; null where none were. */
  pace: Figure | null
  handOver: Figure | null
  wateringDays: Figure | null
  /** A bare bed is normal until then; null where nothing comes up from seed. */
  judge: Figure | null
  /** Seed that has not come up by then is lost, and its watering stops. */
  lostFrom: Day | null
  mowBand: Figure | null
  /** When the seedlings themselves are mown: until then everybody keeps off. */
  seedlingsMown: Figure | null
  mow: { zone: string; height: Figure }[]
  presentable: Figure | null
  /** The day of a first green haze; null where nothing is sown. */
  haze: Day | null
  /**
   * Growing on, and from when watering is settled; null while nobody can say when the grass is up.
   */
  phases: { growing: { from: Day; to: Day }; settled: Day } | null
  /** Growth stops, and with it the watering; null where it does not before the grass is settled. */
  rest: { from: Day; to: Day } | null
  /**
   * Days on which the watering is left off, so that the ground is dry for the mow of the next: once
   * the seed is up.
   */
  dryDays: Day[]
  /**
   * Days of a mow while seed is still coming up: watered only once it is mown, for seed is not left
   * dry for a day.
   */
  mownFirst: Day[]
}

/** Water after work without seed, on one zone. */
export interface WaterIn {
  /** The step that waters, or the work that wants it where no step does. */
  step: StepId
  zone: string
  day: Day
  need: Figure
  /** Null where the ground is too small for a sprinkler: by can, rose or hose. */
  minutes: Figure | null
  litres: Figure
  /** Until when holes are looked at daily; null where none dry. */
  until: Day | null
  /** What holes that dry are watered with then, mm. */
  light: number
}

/** Whether the runs of a day are given as planned, left off, halved, one more; or may not be given. */
export type WaterAdvice = 'planned' | 'off' | 'less' | 'more' | 'dry' | 'barred'

/** The water of one day ahead while a seedbed is kept moist. */
export interface WaterOfDay {
  workPackage: string
  day: Day
  advice: WaterAdvice
  /** Clock times of what is given, of how many that are planned. */
  runs: readonly string[]
  of: number
  /** It is mown that day, and watered only afterwards. */
  mown: boolean
  /** The figure of what the seedbed wants that day; null where its weather is not known. */
  need: FigureId | null
  /** mm and °C expected; null where not known. */
  rain: number | null
  high: number | null
}

/** Days on which a piece of work keeps those who use the lawn off it. */
export interface Closed {
  workPackage: string
  zones: string[]
  from: Day
  to: Day
}

export interface Follow {
  water: WaterPlan | null
  waterIn: WaterIn[]
  /** Water of today and the days ahead, by piece of work. */
  waterDays: WaterOfDay[]
  closed: Closed[]
  packages: PackageFollow[]
  later: PlannedStep[]
  /** Steps done, of all, and the next one. */
  done: number
  of: number
  next: PlannedStep | null
}

export interface ZoneWater {
  zone: string
  /** Of its sprinklers; null where it is watered by can, rose or hose. */
  sprinkler: { precipitation: Figure; uniformity: Figure; minutes: Figure } | null
  litres: Figure
  /**
   * Into how many parts each run is split, with a pause between, where more falls than the soil takes
   * in and its surface stores.
   */
  parts: { seedbed: number; growing: number; settled: number }
  /** Stations that run one after another, each for the minutes told. One where none are noted. */
  stations: number
  /** Each run while it grows on, and once it is established: minutes, or litres by can. */
  growing: Figure
  settled: Figure
}

/** On which days water may be put on. */
export interface WaterDays {
  /** 0 Sunday to 6; null where the weekday does not matter. */
  weekdays: number[] | null
  parity: 'odd' | 'even' | null
  /** How many in a week, whichever they are; null where there is no such limit. */
  daysAWeek: number | null
  /** The same in words. */
  says: string
}

export interface WaterPlan {
  /** Clock times of the seedbed's runs: those of the school, moved to hours that are allowed. */
  times: string[]
  /** The same in words: a run by the sun with its name, “dawn (06:50)”. */
  timesSaid: string
  /** Days on which water may be put on; null where any will do. */
  days: WaterDays | null
  dose: Figure
  zones: ZoneWater[]
  daily: Figure
  tapMinutes: Figure | null
}
