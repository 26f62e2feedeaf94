import { amend } from './amend.ts'
import { cans } from './cans.ts'
import { castBrush } from './castBrush.ts'
import { clear } from './clear.ts'
import { clipHeads } from './clipHeads.ts'
import { collectCores } from './collectCores.ts'
import { core } from './core.ts'
import { cover } from './cover.ts'
import { cutFirst } from './cutFirst.ts'
import { cutSecond } from './cutSecond.ts'
import { dampen } from './dampen.ts'
import { digClumps } from './digClumps.ts'
import { dogSoil } from './dogSoil.ts'
import { dress } from './dress.ts'
import { dressAgain } from './dressAgain.ts'
import { edge } from './edge.ts'
import { feed } from './feed.ts'
import { feedLater } from './feedLater.ts'
import { feedLawn } from './feedLawn.ts'
import { feedRound } from './feedRound.ts'
import { firm } from './firm.ts'
import { firstMow } from './firstMow.ts'
import { grade } from './grade.ts'
import { handWeed } from './handWeed.ts'
import { kill } from './kill.ts'
import { killAgain } from './killAgain.ts'
import { layBack } from './layBack.ts'
import { leafAgain } from './leafAgain.ts'
import { leafOff } from './leafOff.ts'
import { lime } from './lime.ts'
import { lookAwake } from './lookAwake.ts'
import { lookBare } from './lookBare.ts'
import { lookCover } from './lookCover.ts'
import { lookHoles } from './lookHoles.ts'
import { lookMoths } from './lookMoths.ts'
import { loosen } from './loosen.ts'
import { mark } from './mark.ts'
import { mowWeekly } from './mowWeekly.ts'
import { notice } from './notice.ts'
import { plantStrip } from './plantStrip.ts'
import { plugs } from './plugs.ts'
import { preEmergence } from './preEmergence.ts'
import { preEmergenceAgain } from './preEmergenceAgain.ts'
import { raiseCut } from './raiseCut.ts'
import { rake } from './rake.ts'
import { recheck } from './recheck.ts'
import { resow } from './resow.ts'
import { roughen } from './roughen.ts'
import { sandIn } from './sandIn.ts'
import { scarify } from './scarify.ts'
import { seedSafe } from './seedSafe.ts'
import { sow } from './sow.ts'
import { spike } from './spike.ts'
import { spray } from './spray.ts'
import { sprayLater } from './sprayLater.ts'
import { strip } from './strip.ts'
import { treatPests } from './treatPests.ts'
import { trench } from './trench.ts'
import { turf } from './turf.ts'
import { uncover } from './uncover.ts'
import { visit } from './visit.ts'
import { water } from './water.ts'
import { wake } from './wake.ts'
import { wetting } from './wetting.ts'
import { workIn } from './workIn.ts'
import { worn } from './worn.ts'

/**
 * Every operation, in the order of work. Their ids stand in stored pins and diary entries, so none is
 * ever renamed.
 */
export const OPERATION_LIST = [
  notice,
  mark,
  cans,
  recheck,
  lookAwake,
  wake,
  treatPests,
  leafOff,
  castBrush,
  clipHeads,
  raiseCut,
  preEmergence,
  spray,
  strip,
  kill,
  killAgain,
  cutFirst,
  cutSecond,
  handWeed,
  digClumps,
  dogSoil,
  edge,
  plantStrip,
  trench,
  worn,
  rake,
  scarify,
  clear,
  spike,
  wetting,
  dampen,
  core,
  collectCores,
  preEmergenceAgain,
  loosen,
  amend,
  grade,
  firm,
  roughen,
  dress,
  sandIn,
  layBack,
  lime,
  plugs,
  turf,
  sow,
  workIn,
  seedSafe,
  feed,
  feedLawn,
  cover,
  water,
  uncover,
  leafAgain,
  firstMow,
  mowWeekly,
  feedLater,
  feedRound,
  sprayLater,
  dressAgain,
  visit,
  resow,
  lookMoths,
  lookHoles,
  lookCover,
  lookBare,
] as const
