import type { CauseId } from '../src/establish/take/causes.ts'
import type { TakeKnown } from '../src/establish/take/judgeTake.ts'
import type { TakeSeen } from '../src/reference/takeSigns.ts'

/** A failure as somebody found it, and what it turned out to be. Made up; common practice. */
export interface Story {
  cause: CauseId
  seen: TakeSeen
  known?: TakeKnown
  sown?: boolean
}
export const STORIES: Record<string, Story> = {
  'green round each head, bare in the far corners': { cause: 'part-dry', seen: { seedlings: 'patches', follows: 'sprinkler', dug: 'hard' } }, // prettier-ignore
  'the end past the hose': { cause: 'part-dry', seen: { seedlings: 'patches', dug: 'hard', beside: 'tap' } }, // prettier-ignore
  'far side of a crest the water never reaches': { cause: 'part-dry', seen: { seedlings: 'patches', follows: 'slope', dug: 'hard', beside: 'tap', cans: 'uneven' }, known: { burst: 'no' } }, // prettier-ignore
  'customer away over a hot weekend on day eight': { cause: 'dried-once', seen: { seedlings: 'none', follows: 'nothing', dug: 'swollen' }, known: { dry: 'long', water: 'half', warmth: 'enough' } }, // prettier-ignore
  'a green haze that went brown in two days': { cause: 'dried-once', seen: { seedlings: 'gone', died: 'withered', follows: 'nothing' }, known: { dry: 'some', water: 'half', heat: 'yes' } }, // prettier-ignore
  'all of it, sprouts a finger long and dry': { cause: 'dried-once', seen: { seedlings: 'none', dug: 'sprouted', beside: 'all-alike' }, known: { dry: 'long' } }, // prettier-ignore
  'nobody turned the tap on': { cause: 'never-wet', seen: { seedlings: 'none', dug: 'hard', ground: 'dust' }, known: { water: 'hardly', dry: 'long' } }, // prettier-ignore
  'a holiday cottage in a dry spring': { cause: 'never-wet', seen: { seedlings: 'none', dug: 'hard', follows: 'nothing', beside: 'all-alike' }, known: { water: 'hardly' } }, // prettier-ignore
  'five-year-old seed from a hot shed': { cause: 'dead-lot', seen: { seedlings: 'none', dug: 'rotten', paper: 'dead' }, known: { lot: 'aged' } }, // prettier-ignore
  'one bag of three, the strip it filled': { cause: 'dead-lot', seen: { seedlings: 'patches', follows: 'bag', dug: 'rotten' } }, // prettier-ignore
  'turf along the edge rooted, the seed did nothing': { cause: 'dead-lot', seen: { seedlings: 'none', beside: 'turf', dug: 'rotten' } }, // prettier-ignore
  'bluegrass in the last week of autumn': { cause: 'cold', seen: { seedlings: 'none', dug: 'swollen' }, known: { warmth: 'not-yet', dry: 'none' } }, // prettier-ignore
  'warm seed sown at the first fine day': { cause: 'cold', seen: { seedlings: 'none', follows: 'nothing', dug: 'hard' }, known: { warmth: 'not-yet', water: 'kept' } }, // prettier-ignore
  'weed-and-feed three weeks before': { cause: 'residue', seen: { seedlings: 'none', dug: 'sprouted' }, known: { wait: 'within' } }, // prettier-ignore
  'up pale, scorched, gone; the tray at home came up': { cause: 'residue', seen: { seedlings: 'gone', died: 'scorched', beside: 'elsewhere' }, known: { wait: 'within' } }, // prettier-ignore
  'bent under an inch of soil': { cause: 'buried', seen: { seedlings: 'none', dug: 'deep' }, known: { depth: 'over' } }, // prettier-ignore
  'deep where the lows were filled after seeding': { cause: 'buried', seen: { seedlings: 'patches', follows: 'low', dug: 'deep' } }, // prettier-ignore
  'seed on a mat of thatch': { cause: 'no-contact', seen: { seedlings: 'patches', ground: 'mat', dug: 'hard' } }, // prettier-ignore
  'scattered on a capped lawn, only the scratches came': { cause: 'no-contact', seen: { seedlings: 'old-grass', ground: 'hard', dug: 'hard' }, known: { bed: 'shut' } }, // prettier-ignore
  'sparrows every morning': { cause: 'birds', seen: { seedlings: 'patches', follows: 'nothing', dug: 'none', ground: 'open' } }, // prettier-ignore
  'a bank after a thunderstorm': { cause: 'washed', seen: { seedlings: 'patches', follows: 'slope', dug: 'none' }, known: { burst: 'yes' } }, // prettier-ignore
  'stripes a spreader wide': { cause: 'missed', seen: { seedlings: 'patches', follows: 'pass', dug: 'none' } }, // prettier-ignore
  'wet warm nights under a thick cover': { cause: 'rotted', seen: { seedlings: 'gone', died: 'rotted', ground: 'wet' }, known: { dry: 'none' } }, // prettier-ignore
  'feed turned round on, a scorched edge': { cause: 'burnt', seen: { seedlings: 'gone', died: 'scorched', follows: 'pass' } }, // prettier-ignore
  'a sheet left on a hot day': { cause: 'burnt', seen: { seedlings: 'gone', died: 'scorched', follows: 'nothing' }, known: { heat: 'yes', wait: 'clear' } }, // prettier-ignore
  'the mower turned on it in week two': { cause: 'trodden', seen: { seedlings: 'gone', follows: 'wheels', died: 'torn' } }, // prettier-ignore
  'rings, green outside': { cause: 'dogs', seen: { seedlings: 'patches', follows: 'rings' }, known: { dog: 'yes' } }, // prettier-ignore
  'cut off round each core hole': { cause: 'pests', seen: { seedlings: 'gone', follows: 'holes', died: 'bitten' } }, // prettier-ignore
  'thin and gone under the beech': { cause: 'shade', seen: { seedlings: 'gone', follows: 'trees', died: 'withered' }, known: { sun: 'little' } }, // prettier-ignore
  'bare before a thing is sown, where the gate is': { cause: 'packed', seen: { follows: 'wheels', ground: 'hard' }, known: { firm: 'packed' }, sown: false }, // prettier-ignore
}
