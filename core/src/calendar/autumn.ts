import { addDays } from './day.ts'

/** Whether a month, 1 to 12, lies from late summer to mid winter of a hemisphere. */
export const inAutumnHalf = (month: number, north: boolean): boolean =>
  north ? month >= 8 || month === 1 : month >= 2 && month <= 7

/** A first frost for an example at 45° north, and how much sooner it comes a degree further off the equator. */
const [AT_45, DAYS_A_DEGREE] = ['10-15', 4]
/** Half a year, days: the same season on the other side of the equator. */
const HALF_YEAR = 182

/** "MM-DD" of a first frost as an example for a latitude; no forecast. Juvena’s model. */
export function exampleFrost(latitude: number): string {
  const sooner = Math.round((Math.abs(latitude) - 45) * DAYS_A_DEGREE)
  return addDays(`2027-${AT_45}`, -sooner - (latitude < 0 ? HALF_YEAR : 0)).slice(5)
}
