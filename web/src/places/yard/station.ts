import type { Answer } from '../../../../contract/answers.ts'

/** A station as the server keeps it. */
export type Station = Answer<'stations'>['stations'][number]
/** What a change of the weather moved so far, and how many jobs are still planned anew. */
export type Moves = Answer<'moves'>
