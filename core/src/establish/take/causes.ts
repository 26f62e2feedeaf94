import type { TakeSign } from '../../reference/takeSigns.ts'
import type { Message } from '../../rules/message.ts'
import { tradeValues, value } from '../../rules/rule.ts'

/** How likely an answer is where a cause holds, as words; `take-likelihood` says how much each is. */
export type Level = 'often' | 'sometimes' | 'seldom' | 'hardly'
export const LEVELS: readonly Level[] = ['often', 'sometimes', 'seldom', 'hardly']

const weighs = (is: number, says: string) => value(is, '1', 'model', says, [0.01, 100])
export const likelihoodValues = tradeValues('take-likelihood', {
  often: weighs(10, 'What a cause often shows counts'),
  sometimes: weighs(3, 'What it sometimes shows'),
  seldom: weighs(1, 'What it seldom shows'),
  hardly: weighs(0.2, 'What it hardly ever shows'),
})

/** What Juvena knows without being asked: from readings, plan, diary, stock and weather. */
export const KNOWN_SIGNS = {
  lot: { good: 'lot within its label', aged: 'lot’s test is old', weak: 'lot’s test is low' },
  warmth: { enough: 'soil warm enough since', 'not-yet': 'soil not warm enough yet' },
  dry: { none: 'never dry for long', some: 'dry for a day', long: 'dry for days' },
  moist: { enough: 'moist long enough to come up', short: 'not moist long enough to come up' },
  water: { kept: 'watered as told', half: 'watered on some days only', hardly: 'hardly watered' },
  depth: { within: 'depth within what it bears', over: 'deeper than it bears' },
  wait: { clear: 'no weedkiller’s wait', within: 'sown within a weedkiller’s wait' },
  burst: { no: 'no heavy rain', yes: 'heavy rain since' },
  bed: { open: 'sown on opened ground', shut: 'sown on ground that was not opened' },
  mown: { after: 'not mown too soon', soon: 'mown or rolled before the seedlings stood' },
  heat: { no: 'no great heat', yes: 'great heat since' },
  sun: { enough: 'enough sun', little: 'less sun than it lives on' },
  firm: { open: 'the push test goes in', packed: 'packed by the push test' },
  stands: { no: 'water goes in', yes: 'water stands there' },
  dog: { no: 'no dog noted', yes: 'a dog is noted' },
  pest: { no: 'no live pest noted', yes: 'live pests are noted' },
} as const satisfies Record<string, Record<string, Message>>
export type KnownSign = keyof typeof KNOWN_SIGNS
export type Sign = TakeSign | KnownSign

/** The levels of a sign's answers; what is not named is seldom. */
export type Shows = Partial<Record<Exclude<Level, 'seldom'>, readonly string[]>>

export type CauseId =
  | 'part-dry'
  | 'dried-once'
  | 'never-wet'
  | 'dead-lot'
  | 'cold'
  | 'residue'
  | 'buried'
  | 'no-contact'
  | 'birds'
  | 'washed'
  | 'missed'
  | 'rotted'
  | 'burnt'
  | 'trodden'
  | 'dogs'
  | 'pests'
  | 'shade'
  | 'packed'
  | 'hollow'
  | 'rubble'

/** Who answers for it: the supplier of the lot, whoever waters, the firm, or nobody. */
export type Pays = 'supplier' | 'waterer' | 'firm' | 'nobody'

export interface TakeCause {
  name: Message
  /** What is done about it before seed goes down again. */
  mend: Message
  /** What the customer is told. */
  tell: Message
  pays: Pays
  /** Whether seed is sown again, or what was sown is still to come. */
  again: boolean
  /** It comes back unless it is put right: noted in the walk-over as a reading. */
  stays?: 'shade' | 'packed' | 'dogs' | 'hollow'
  /** Whether it explains bare ground where nothing was sown. */
  unsown: boolean
  shows: Partial<Record<Sign, Shows>>
}

/** What a sign usually shows where a cause says nothing of it. */
export const USUALLY: Partial<Record<Sign, Shows>> = {
  follows: { often: ['nothing'] },
  beside: { sometimes: ['elsewhere', 'all-alike'] },
  paper: { often: ['good'], hardly: ['dead'] },
  cans: { often: ['even'], sometimes: ['uneven'] },
  ground: { often: ['open'], sometimes: ['hard'] },
  lot: { often: ['good'], sometimes: ['aged'] },
  warmth: { often: ['enough'], hardly: ['not-yet'] },
  dry: { often: ['none'], sometimes: ['some', 'long'] },
  moist: { often: ['enough'], sometimes: ['short'] },
  water: { often: ['kept'], sometimes: ['half'] },
  depth: { often: ['within'] },
  wait: { often: ['clear'], hardly: ['within'] },
  burst: { often: ['no'], sometimes: ['yes'] },
  bed: { often: ['open'] },
  mown: { often: ['after'], hardly: ['soon'] },
  heat: { often: ['no'], sometimes: ['yes'] },
  sun: { often: ['enough'] },
  firm: { often: ['open'], sometimes: ['packed'] },
  stands: { often: ['no'] },
  dog: { often: ['no'] },
  pest: { often: ['no'] },
}

/** Juvena's model: what each cause shows, from what practitioners look for. */
export const TAKE_CAUSES: Record<CauseId, TakeCause> = {
  'part-dry': {
    name: 'Part of it stays dry',
    mend: 'Move the heads, or water that part from more positions, until the cans are even.',
    tell: 'Where it was wet it stands; the dry part is sown again once the water reaches it.',
    pays: 'nobody',
    again: true,
    unsown: true,
    shows: {
      seedlings: { often: ['patches'], hardly: ['none'] },
      follows: { often: ['sprinkler'], sometimes: ['slope', 'trees'], hardly: ['bag', 'pass', 'rings', 'low', 'wheels', 'holes'] }, // prettier-ignore
      dug: { often: ['hard'], sometimes: ['swollen', 'sprouted'], hardly: ['rotten', 'deep'] },
      died: { often: ['withered'], hardly: ['rotted', 'bitten', 'torn'] },
      beside: { often: ['tap'], hardly: ['all-alike', 'turf'] },
      ground: { often: ['dust', 'open'], sometimes: ['hard'], hardly: ['wet'] },
      cans: { often: ['uneven'], hardly: ['even'] },
    },
  },
  'dried-once': {
    name: 'Dried out once after it had swollen',
    mend: 'Settle who waters, and when, before it is sown again; a cover gives a day’s grace.',
    tell: 'It was dry for a day or more after the seed had swollen, and swollen seed does not live through that.',
    pays: 'waterer',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['none', 'gone'], sometimes: ['patches'] },
      follows: { often: ['nothing'], sometimes: ['slope'], hardly: ['bag', 'pass', 'rings', 'low'] }, // prettier-ignore
      dug: { often: ['swollen', 'sprouted'], hardly: ['rotten', 'deep', 'none'] },
      died: { often: ['withered'], hardly: ['rotted', 'bitten', 'torn'] },
      beside: { often: ['all-alike'], sometimes: ['elsewhere'], hardly: ['turf'] },
      ground: { often: ['open'], sometimes: ['hard', 'dust'], hardly: ['wet'] },
      dry: { often: ['long'], sometimes: ['some'], hardly: ['none'] },
      water: { often: ['half'], sometimes: ['hardly', 'kept'] },
      heat: { sometimes: ['yes', 'no'] },
    },
  },
  'never-wet': {
    name: 'Never wet enough to start',
    mend: 'The seed may still be good: water it as planned for ten days and look again before more is sown.',
    tell: 'The seed has not had water enough to begin. It is watered now, and may still come.',
    pays: 'waterer',
    again: false,
    unsown: false,
    shows: {
      seedlings: { often: ['none'], hardly: ['gone'] },
      follows: { often: ['nothing'], hardly: ['bag', 'pass', 'rings', 'low', 'wheels'] },
      dug: { often: ['hard'], hardly: ['swollen', 'sprouted', 'rotten', 'deep', 'none'] },
      beside: { often: ['all-alike'], hardly: ['turf', 'tap'] },
      ground: { often: ['dust'], sometimes: ['hard', 'mat', 'open'], hardly: ['wet'] },
      dry: { often: ['long'], hardly: ['none'] },
      moist: { often: ['short'], hardly: ['enough'] },
      water: { often: ['hardly'], sometimes: ['half'], hardly: ['kept'] },
    },
  },
  'dead-lot': {
    name: 'The seed is dead',
    mend: 'Sow again from another lot; keep what is left of this one, its label and its bag for the claim.',
    tell: 'The bed and the water were right; the seed was not alive. The supplier is asked to make it good.',
    pays: 'supplier',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['none'], sometimes: ['patches'], hardly: ['gone', 'old-grass'] },
      follows: { often: ['bag', 'nothing'], hardly: ['sprinkler', 'slope', 'trees', 'wheels', 'low', 'rings', 'holes'] }, // prettier-ignore
      dug: { often: ['rotten'], sometimes: ['swollen', 'hard'], hardly: ['sprouted', 'none', 'deep'] }, // prettier-ignore
      beside: { often: ['turf', 'all-alike'], hardly: ['elsewhere'] },
      paper: { often: ['dead'], sometimes: ['weak'], hardly: ['good'] },
      lot: { often: ['weak'], sometimes: ['aged', 'good'] },
    },
  },
  cold: {
    name: 'Too cold so far',
    mend: 'Wait, and water as planned: it shows when the soil is warm enough. Keep the grade and the cover.',
    tell: 'The soil is still too cold for this seed. It lies there and comes with the warmth.',
    pays: 'nobody',
    again: false,
    unsown: false,
    shows: {
      seedlings: { often: ['none'], sometimes: ['patches'], hardly: ['gone'] },
      follows: { often: ['nothing'], sometimes: ['trees'], hardly: ['sprinkler', 'bag', 'pass', 'rings', 'wheels', 'low'] }, // prettier-ignore
      dug: { often: ['swollen'], sometimes: ['hard'], hardly: ['sprouted', 'rotten', 'deep', 'none'] }, // prettier-ignore
      beside: { often: ['all-alike'], sometimes: ['turf'] },
      warmth: { often: ['not-yet'], hardly: ['enough'] },
    },
  },
  residue: {
    name: 'Weedkiller still in the ground',
    mend: 'Wait until the label lets seed in; sow a few seeds in a tray of that soil first and see them come up.',
    tell: 'What was put down against weeds still holds seed back. It is sown again when that has passed.',
    pays: 'firm',
    again: true,
    unsown: true,
    shows: {
      seedlings: { often: ['none', 'gone'], sometimes: ['patches'] },
      follows: { often: ['nothing', 'pass'], hardly: ['sprinkler', 'bag', 'rings', 'trees', 'wheels'] }, // prettier-ignore
      dug: { often: ['sprouted'], sometimes: ['swollen'], hardly: ['hard', 'deep', 'none'] },
      died: { often: ['scorched'], sometimes: ['withered'], hardly: ['bitten', 'torn'] },
      beside: { often: ['elsewhere'], sometimes: ['all-alike'] },
      wait: { often: ['within'], hardly: ['clear'] },
    },
  },
  buried: {
    name: 'Buried too deep',
    mend: 'Sow again on the surface and press it in; cover no deeper than the seed bears.',
    tell: 'The seed lies too deep to reach the light, and is sown again nearer the top.',
    pays: 'firm',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['none', 'patches'] },
      follows: { often: ['nothing', 'low'], sometimes: ['pass'], hardly: ['bag', 'rings', 'sprinkler', 'trees'] }, // prettier-ignore
      dug: { often: ['deep'], hardly: ['hard', 'rotten', 'none', 'swollen'] },
      depth: { often: ['over'], hardly: ['within'] },
    },
  },
  'no-contact': {
    name: 'No contact with the soil',
    mend: 'Rake or scarify down to soil, sow, and press it in with a roller or the feet.',
    tell: 'The seed lay on dead grass or a hard skin and could not root. The ground is opened and sown again.',
    pays: 'firm',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['patches'], sometimes: ['old-grass', 'none', 'gone'] },
      follows: { often: ['nothing'], hardly: ['sprinkler', 'bag', 'rings', 'low'] },
      dug: { often: ['hard'], sometimes: ['sprouted', 'swollen'], hardly: ['rotten', 'deep'] },
      beside: { often: ['elsewhere'], sometimes: ['turf'] },
      ground: { often: ['mat', 'hard'], hardly: ['open', 'wet'] },
      bed: { often: ['shut'], sometimes: ['open'] },
    },
  },
  birds: {
    name: 'Birds or ants took it',
    mend: 'Sow again, cover it lightly or net it, and rake it in.',
    tell: 'The seed was eaten. It is sown again under a cover.',
    pays: 'nobody',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['patches'], sometimes: ['none'], hardly: ['gone'] },
      follows: { often: ['nothing'], sometimes: ['trees'], hardly: ['sprinkler', 'low', 'pass', 'bag', 'slope', 'rings'] }, // prettier-ignore
      dug: { often: ['none'], hardly: ['hard', 'swollen', 'rotten', 'deep', 'sprouted'] },
    },
  },
  washed: {
    name: 'Washed away',
    mend: 'Sow again, pin a blanket over it, and split each run until none of it runs off.',
    tell: 'Heavy rain carried the seed down. It is sown again under a blanket.',
    pays: 'nobody',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['patches'], hardly: ['gone'] },
      follows: { often: ['slope'], sometimes: ['low'], hardly: ['sprinkler', 'bag', 'pass', 'rings', 'wheels', 'nothing'] }, // prettier-ignore
      dug: { often: ['none'], sometimes: ['deep'], hardly: ['hard', 'rotten', 'swollen'] },
      burst: { often: ['yes'], hardly: ['no'] },
    },
  },
  missed: {
    name: 'Missed by the spreader, or dragged off',
    mend: 'Sow the strips again by hand, half one way and half across.',
    tell: 'Some strips had no seed. They are sown again.',
    pays: 'firm',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['patches'], hardly: ['none', 'gone'] },
      follows: { often: ['pass'], sometimes: ['wheels'], hardly: ['sprinkler', 'slope', 'trees', 'low', 'rings', 'nothing', 'bag', 'holes'] }, // prettier-ignore
      dug: { often: ['none'], hardly: ['hard', 'swollen', 'rotten', 'deep', 'sprouted'] },
      beside: { often: ['elsewhere'], hardly: ['all-alike'] },
    },
  },
  rotted: {
    name: 'Rotted at the foot in wet, still air',
    mend: 'Let the top dry between runs, water in the morning only, thin the cover, and sow the gaps again.',
    tell: 'The seedlings were kept too wet and rotted. Less water, and the gaps are sown again.',
    pays: 'nobody',
    again: true,
    unsown: false,
    shows: {
      seedlings: { often: ['gone'], sometimes: ['patches'], hardly: ['none'] },
      follows: { often: ['nothing'], sometimes: ['low', 'trees'], hardly: ['slope', 'wheels', 'bag', 'pass'] }, // prettier-ignore
      dug: { often: ['sprouted'], sometimes: ['rotten'], hardly: ['hard', 'none', 'deep'] },
      died: { often: ['rotted'], hardly: ['withered', 'bitten', 'scorched', 'torn'] },
      ground: { often: ['wet'], sometimes: ['open'], hardly: ['dust'] },
      dry: { often: ['none'], hardly: ['long'] },
    },
  },
  burnt: {
    name: 'Burnt by feed, or by heat under a sheet',
    mend: 'Water it through, sow the burnt part again, and leave the feed until it has been mown.',
    tell: 'The seedlings were scorched. That part is sown again, without feed.',
    pays: 'firm',
    again: true,
    unsown: true,
    shows: {
      seedlings: { often: ['gone'], sometimes: ['patches'], hardly: ['none'] },
      follows: { often: ['pass'], sometimes: ['nothing'], hardly: ['slope', 'low', 'trees', 'rings', 'bag', 'holes', 'sprinkler'] }, // prettier-ignore
      dug: { often: ['sprouted'], hardly: ['hard', 'rotten', 'deep', 'none'] },
      died: { often: ['scorched'], sometimes: ['withered'], hardly: ['rotted', 'bitten', 'torn'] },
      heat: { often: ['yes'], sometimes: ['no'] },
    },
  },
  trodden: {
    name: 'Mown or trodden too soon',
    mend: 'Keep everybody off by a line; loosen the top, sow again, and mow only when seedlings hold to a pull.',
    tell: 'It was walked or mown before it had rooted. It is sown again, and kept off until it is mown.',
    pays: 'waterer',
    again: true,
    unsown: true,
    shows: {
      seedlings: { often: ['gone', 'patches'], hardly: ['none'] },
      follows: { often: ['wheels'], hardly: ['sprinkler', 'slope', 'trees', 'bag', 'low', 'rings', 'nothing', 'holes'] }, // prettier-ignore
      died: { often: ['torn'], hardly: ['rotted', 'scorched', 'bitten'] },
      dug: { sometimes: ['sprouted', 'none'], hardly: ['hard', 'rotten', 'deep'] },
      ground: { often: ['hard'], sometimes: ['open'] },
      mown: { often: ['soon'], sometimes: ['after'] },
    },
  },
  dogs: {
    name: 'Dogs',
    mend: 'Flush the rings, change the top of the soil there, sow again, and train the dog to one corner.',
    tell: 'The rings come from a dog. Until it has a corner of its own they come back.',
    pays: 'waterer',
    again: true,
    stays: 'dogs',
    unsown: true,
    shows: {
      seedlings: { often: ['patches', 'gone'], hardly: ['none'] },
      follows: { often: ['rings'], hardly: ['sprinkler', 'slope', 'trees', 'bag', 'pass', 'low', 'nothing'] }, // prettier-ignore
      died: { often: ['scorched'], sometimes: ['withered', 'torn'], hardly: ['rotted'] },
      dug: { often: ['sprouted'], sometimes: ['none'], hardly: ['hard', 'deep'] },
      dog: { often: ['yes'], sometimes: ['no'] },
    },
  },
  pests: {
    name: 'Larvae or slugs',
    mend: 'Never sow into live pests: look at dusk, have them treated as the label and the law allow, then sow.',
    tell: 'Something eats the seedlings. That is dealt with first, then it is sown again.',
    pays: 'nobody',
    again: true,
    unsown: true,
    shows: {
      seedlings: { often: ['gone'], sometimes: ['patches'], hardly: ['none'] },
      follows: { often: ['holes'], sometimes: ['nothing'], hardly: ['sprinkler', 'bag', 'pass', 'wheels', 'rings'] }, // prettier-ignore
      died: { often: ['bitten'], hardly: ['rotted', 'scorched', 'withered'] },
      dug: { sometimes: ['sprouted', 'none'], hardly: ['hard', 'rotten', 'deep'] },
      pest: { often: ['yes'], sometimes: ['no'] },
    },
  },
  shade: {
    name: 'Too dark there',
    mend: 'Let light in, or take a shade grass or another plant: the same seed fails there again.',
    tell: 'There is too little sun for grass there. It has to be lighter, or something else is planted.',
    pays: 'nobody',
    again: true,
    stays: 'shade',
    unsown: true,
    shows: {
      seedlings: { often: ['gone', 'patches'], hardly: ['none'] },
      follows: { often: ['trees'], hardly: ['sprinkler', 'slope', 'bag', 'pass', 'wheels', 'rings', 'nothing'] }, // prettier-ignore
      died: { often: ['withered'], sometimes: ['rotted'], hardly: ['scorched', 'torn'] },
      dug: { sometimes: ['sprouted'], hardly: ['hard', 'rotten', 'deep'] },
      ground: { often: ['open'], sometimes: ['dust', 'hard', 'wet'] },
      sun: { often: ['little'], hardly: ['enough'] },
    },
  },
  packed: {
    name: 'Packed ground',
    mend: 'Core it when it is moist, fill the holes, then open the top and sow again.',
    tell: 'The ground is packed: roots cannot go down. It is opened first.',
    pays: 'firm',
    again: true,
    stays: 'packed',
    unsown: true,
    shows: {
      seedlings: { often: ['patches', 'gone'] },
      follows: { often: ['wheels'], sometimes: ['nothing'], hardly: ['sprinkler', 'bag', 'rings', 'pass', 'trees'] }, // prettier-ignore
      died: { often: ['withered'], sometimes: ['torn'], hardly: ['scorched', 'bitten'] },
      ground: { often: ['hard'], hardly: ['open', 'dust'] },
      dug: { sometimes: ['hard', 'sprouted', 'swollen'], hardly: ['deep'] },
      firm: { often: ['packed'], hardly: ['open'] },
    },
  },
  hollow: {
    name: 'Water stands there',
    mend: 'Raise the low place in firmed layers, or drain it, before it is sown again.',
    tell: 'Water stands in the low place and the seed drowns. It is raised, then sown.',
    pays: 'nobody',
    again: true,
    stays: 'hollow',
    unsown: true,
    shows: {
      seedlings: { often: ['patches'], sometimes: ['gone'], hardly: ['none'] },
      follows: { often: ['low'], hardly: ['sprinkler', 'slope', 'trees', 'bag', 'pass', 'rings', 'nothing', 'wheels'] }, // prettier-ignore
      died: { often: ['rotted'], hardly: ['withered', 'scorched', 'bitten'] },
      dug: { often: ['rotten'], sometimes: ['none', 'deep'], hardly: ['hard'] },
      ground: { often: ['wet'], sometimes: ['hard'], hardly: ['dust', 'open'] },
      stands: { often: ['yes'], sometimes: ['no'] },
    },
  },
  rubble: {
    name: 'Stone or rubble close below',
    mend: 'Dig it out to a spade’s depth, fill with soil like that around, firm it, and sow.',
    tell: 'Stone lies close under the surface, and the soil over it dries first. It is dug out and filled.',
    pays: 'nobody',
    again: true,
    unsown: true,
    shows: {
      seedlings: { often: ['gone', 'patches'], hardly: ['none'] },
      follows: { often: ['nothing'], hardly: ['sprinkler', 'bag', 'pass', 'rings', 'low', 'trees'] }, // prettier-ignore
      died: { often: ['withered'], hardly: ['rotted', 'bitten', 'torn'] },
      ground: { often: ['dust'], sometimes: ['hard'], hardly: ['wet', 'mat'] },
      dug: { sometimes: ['hard', 'sprouted'], hardly: ['rotten', 'deep'] },
    },
  },
}
export const CAUSE_IDS = Object.keys(TAKE_CAUSES) as CauseId[]

const before = (is: number, cause: string) =>
  value(is, '1', 'model', `Before anything is seen counts, ${cause}`, [0.01, 100])
/** How often each is the cause, before anything is looked at; only their ratios count. */
export const priorValues = tradeValues('take-prior', {
  'part-dry': before(10, 'part of it stays dry'),
  'dried-once': before(12, 'dried out once'),
  'never-wet': before(8, 'never wet enough'),
  'dead-lot': before(3, 'a dead lot'),
  cold: before(6, 'too cold'),
  residue: before(3, 'weedkiller in the ground'),
  buried: before(3, 'buried too deep'),
  'no-contact': before(7, 'no contact with the soil'),
  birds: before(3, 'birds or ants'),
  washed: before(4, 'washed away'),
  missed: before(4, 'missed by the spreader'),
  rotted: before(3, 'rotted at the foot'),
  burnt: before(2, 'burnt'),
  trodden: before(4, 'mown or trodden too soon'),
  dogs: before(3, 'dogs'),
  pests: before(3, 'larvae or slugs'),
  shade: before(4, 'too dark'),
  packed: before(4, 'packed ground'),
  hollow: before(3, 'standing water'),
  rubble: before(1, 'stone close below'),
})

export const verdictValues = tradeValues('take-verdict', {
  likely: value(50, '%', 'model', 'A cause is named as the likely one from', [20, 99]),
  ahead: value(2, '1', 'model', 'and where it is so many times as likely as the next', [1, 20]),
  together: value(0.7, '1', 'model', 'What is seen hangs together, so each counts as its likelihood to the power of', [0.2, 1]), // prettier-ignore
  speaks: value(1.5, '1', 'model', 'What was seen speaks for or against a cause from a factor of', [1.01, 10]), // prettier-ignore
})
