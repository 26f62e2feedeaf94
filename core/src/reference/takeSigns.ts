/**
 * What is looked at where grass does not come up, and what may be found: the questions of one visit
 * and their answers, in the words of the screen and the sheets.
 */
export const TAKE_SIGNS = {
  seedlings: {
    asks: 'Seedlings',
    answers: {
      none: 'none',
      patches: 'in patches',
      gone: 'up, then gone',
      'old-grass': 'only where old grass was',
    },
  },
  follows: {
    asks: 'The bare part follows',
    answers: {
      sprinkler: 'the sprinkler',
      slope: 'a slope',
      trees: 'trees or a wall',
      wheels: 'wheels or feet',
      bag: 'one bag of seed',
      pass: 'a pass of the spreader',
      low: 'the low places',
      holes: 'edges of core holes',
      rings: 'rings with a green rim',
      nothing: 'nothing',
    },
  },
  dug: {
    asks: 'Five seeds dug up in a bare place',
    answers: {
      hard: 'hard and dry',
      swollen: 'swollen, not split',
      sprouted: 'sprouted, then dead',
      rotten: 'soft or rotten',
      deep: 'deep in the soil',
      none: 'no seed there',
    },
  },
  died: {
    asks: 'Those that died are',
    answers: {
      withered: 'withered',
      rotted: 'rotted at the foot',
      bitten: 'bitten or gone',
      scorched: 'scorched brown',
      torn: 'torn out or flattened',
    },
  },
  beside: {
    asks: 'Something to compare with',
    answers: {
      tap: 'the part by the tap is fine',
      turf: 'turf laid that day has rooted',
      elsewhere: 'the same seed came up elsewhere',
      'all-alike': 'all of it is alike',
    },
  },
  ground: {
    asks: 'The surface there',
    answers: {
      open: 'open and crumbly',
      hard: 'hard or capped',
      mat: 'a mat of dead grass',
      dust: 'dust-dry below too',
      wet: 'wet, green slime',
    },
  },
  paper: {
    asks: 'The same seed on damp paper',
    answers: {
      good: 'sprouts as its label says',
      weak: 'half of it sprouts',
      dead: 'hardly any sprouts',
    },
  },
  cans: {
    asks: 'Cans under the sprinkler',
    answers: {
      even: 'even enough',
      uneven: 'the far quarter gets under 60 %',
    },
  },
} as const satisfies Record<string, { asks: string; answers: Record<string, string> }>

export type TakeSign = keyof typeof TAKE_SIGNS
export type TakeAnswer<S extends TakeSign = TakeSign> = S extends TakeSign
  ? keyof (typeof TAKE_SIGNS)[S]['answers']
  : never
export const TAKE_SIGN_IDS = Object.keys(TAKE_SIGNS) as TakeSign[]
/** An answer in the words of the screen. */
export const answerSaid = (sign: TakeSign, answer: string): string =>
  (TAKE_SIGNS[sign].answers as Record<string, string>)[answer] ?? ''
export const answersOf = (sign: TakeSign): string[] => Object.keys(TAKE_SIGNS[sign].answers)

/** What is found at a visit, by question; what was not looked at is left out. */
export type TakeSeen = { [S in TakeSign]?: TakeAnswer<S> | undefined }
