/**
 * Where practitioners disagree, both sides are named. A firm picks its default; a job may differ;
 * every figure says which school spoke.
 */

interface SchoolChoice {
  question: string
  schools: Record<string, { name: string; says: string }>
}

const choice = <const T extends SchoolChoice>(c: T) => c

export const SCHOOL_CHOICES = {
  cover: choice({
    question: 'Below what wanted cover do you start over?',
    schools: {
      thirty: { name: 'below 30 %', says: 'With 30 % or more of wanted grass, overseed.' },
      fifty: { name: 'below 50 %', says: 'With less than half wanted grass, start over.' },
    },
  }),
  weeds: choice({
    question: 'Weeds before seed?',
    schools: {
      'seed-first': {
        name: 'seed first',
        says: 'Density is the weed control; kill only incurable grassy weeds.',
      },
      'spray-then-sow': {
        name: 'spray, then sow',
        says: 'Clean up broad-leaved weeds first and wait out the label.',
      },
      'safe-at-seeding': {
        name: 'safe at seeding',
        says: 'A herbicide that new seed stands goes down with it, where its grasses and the label allow.',
      },
      'after-mows': {
        name: 'seed, then spray',
        says: 'Seed goes down first; weeds that come up with it are sprayed once the seedlings have been mown three times.',
      },
      'no-chemicals': {
        name: 'no chemicals',
        says: 'Nothing is sprayed; old growth is lifted off.',
      },
    },
  }),
  cutOff: choice({
    question: 'Which frost ends sowing?',
    schools: {
      'even-odds': { name: 'even odds', says: 'Six weeks before the median first −2 °C night.' },
      safe: {
        name: 'safe',
        says: 'Six weeks before the date that one year in ten has already frozen by.',
      },
    },
  }),
  season: choice({
    question: 'Spring or autumn for cool grass?',
    schools: {
      'as-it-comes': {
        name: 'spring repair when it comes',
        says: 'Sown in whichever good season comes first, spring with honest odds.',
      },
      autumn: {
        name: 'autumn only',
        says: 'Spring is left to growing on; everything is sown in autumn.',
      },
    },
  }),
  stands: choice({
    question: 'What must seedlings have before killing frost?',
    schools: {
      weeks: { name: 'weeks', says: 'Six weeks from sowing, eight for bluegrass.' },
      'degree-days': { name: 'warmth', says: '250 °C·d over 5 °C once they are up.' },
    },
  }),
  late: choice({
    question: 'And after the last day to sow?',
    schools: {
      stop: { name: 'stop', says: 'Nothing but a quick cover is sown before spring.' },
      'after-frosts': {
        name: 'sow on',
        says: 'Overseeding goes on after the first frosts while soil is warm enough.',
      },
      dormant: {
        name: 'dormant',
        says: 'Fescue and bluegrass are sown into cold soil, to come up in spring.',
      },
    },
  }),
  warm: choice({
    question: 'When is warm grass sown?',
    schools: {
      settled: { name: 'in settled warmth', says: 'Soil at 21 °C and days of 27 °C.' },
      early: { name: 'early', says: 'As soon as soil reaches its least.' },
    },
  }),
  shade: choice({
    question: 'Grass in two to three hours of sun?',
    schools: {
      lasting: {
        name: 'what lasts',
        says: 'Nothing is sown that will not live there: fine fescue from three hours up.',
      },
      renewed: {
        name: 'renewed each year',
        says: 'Shade ryegrass is sown down to two hours of sun and renewed every year.',
      },
    },
  }),
  order: choice({
    question: 'What comes first, scarifier or corer?',
    schools: {
      'scarify-first': {
        name: 'scarify, core, sow',
        says: 'The mat comes off, then the tines reach soil.',
      },
      'core-first': {
        name: 'core, rake out, sow',
        says: 'Cores come up and are raked through with the mat.',
      },
      'blades-after': {
        name: 'core, scarify, sow, scarify',
        says: 'Cores first; a light pass of the blades after the seed works it in.',
      },
    },
  }),
  cores: choice({
    question: 'What happens to the cores?',
    schools: {
      'drag-in': { name: 'leave and drag in', says: 'Crumbled cores are the first dressing.' },
      collect: {
        name: 'collect before sowing',
        says: 'Cores come off; clean holes take seed and dressing.',
      },
      'dry-collect': {
        name: 'let dry, collect',
        says: 'On sand they dry first, shed their sand through the brush, and only the mat is carried off.',
      },
    },
  }),
  tines: choice({
    question: 'Hollow or solid tines?',
    schools: {
      hollow: {
        name: 'cores only',
        says: 'Hollow tines take soil out, and that is what loosens it.',
      },
      solid: {
        name: 'solid tines will do',
        says: 'The whole lawn is spiked deep; nothing is carried off.',
      },
      worms: {
        name: 'no more once worms return',
        says: 'Worms do the work: only compacted ground is cored.',
      },
    },
  }),
  dressing: choice({
    question: 'How are lows brought up?',
    schools: {
      'light-often': {
        name: 'light and often',
        says: 'Tips stay showing; again about four weeks later, in growth. What is too deep for lifts is filled under its own turf.',
      },
      'bury-reseed': {
        name: 'bury and reseed',
        says: 'Fill to level in one go and sow the fill as new ground.',
      },
      'lay-back': {
        name: 'lift and lay back',
        says: 'Lift the turf, fill in firmed layers, lay it back: no seed, and soon in use.',
      },
    },
  }),
  phosphorus: choice({
    question: 'Phosphorus and potassium for seedlings?',
    schools: {
      'by-test': {
        name: 'by the test',
        says: 'Where the laboratory says adequate, leave them out.',
      },
      always: {
        name: 'always at sowing',
        says: 'Seedlings get P and K regardless, where law allows.',
      },
    },
  }),
  feed: choice({
    question: 'When is the starter given?',
    schools: {
      'with-seed': {
        name: 'with the seed',
        says: 'On the day of sowing, before or after the seed.',
      },
      'first-mown': {
        name: 'hold until first mown',
        says: 'When the seedlings have been mown once.',
      },
    },
  }),
  programme: choice({
    question: 'How is it fed on after that?',
    schools: {
      'one-dose': {
        name: 'one feed',
        says: 'One feed with the work; what follows is left to the owner.',
      },
      spoon: {
        name: 'a little, often',
        says: 'Seedlings every two weeks once they are mown; turf that stands every two to three weeks, cool turf from late summer on.',
      },
      autumn: {
        name: 'most of it in autumn',
        says: 'Two thirds to nine tenths of the year’s nitrogen in autumn: less soft growth in spring, fewer summer weeds fed.',
      },
      harden: {
        name: 'hardened before winter',
        says: 'One more feed before frost, low in nitrogen and high in potassium: soft growth meets frost and disease.',
      },
    },
  }),
  watering: choice({
    question: 'How is the seedbed kept moist?',
    schools: {
      'little-often': { name: 'little and often', says: 'Three short runs a day.' },
      'once-a-day': { name: 'once a day', says: 'One longer run; large lawns and short hands.' },
      'day-dusk': {
        name: 'split day and dusk',
        says: 'One run at midday, one at dusk to stay wet through the night.',
      },
    },
  }),
  run: choice({
    question: 'How are uneven sprinklers allowed for?',
    schools: {
      milder: { name: 'milder, for seedbeds', says: 'Multiply by 1 ÷ (0.4 + 0.6 DU).' },
      full: { name: 'full, 1 ÷ DU', says: 'Enough for the driest quarter.' },
    },
  }),
  firstMow: choice({
    question: 'When is the first mow?',
    schools: {
      'inch-over': {
        name: 'inch over',
        says: 'An inch above the cut; for cuts of 50 mm and more.',
      },
      'one-third': {
        name: 'one third',
        says: 'At one and a half times the cut, so a third comes off.',
      },
    },
  }),
} as const

export type SchoolChoiceId = keyof typeof SCHOOL_CHOICES
export type Schools = { [K in SchoolChoiceId]: keyof (typeof SCHOOL_CHOICES)[K]['schools'] }

export const DEFAULT_SCHOOLS: Schools = {
  cover: 'thirty',
  weeds: 'seed-first',
  cutOff: 'even-odds',
  season: 'as-it-comes',
  stands: 'weeks',
  late: 'stop',
  warm: 'settled',
  shade: 'lasting',
  order: 'scarify-first',
  cores: 'drag-in',
  tines: 'hollow',
  dressing: 'light-often',
  phosphorus: 'by-test',
  feed: 'with-seed',
  programme: 'one-dose',
  watering: 'little-often',
  run: 'milder',
  firstMow: 'one-third',
}

/** The name of a school as shown: "light and often". */
export function schoolName(choiceId: SchoolChoiceId, school: string): string {
  return (
    (SCHOOL_CHOICES[choiceId].schools as Record<string, { name: string }>)[school]?.name ?? school
  )
}
