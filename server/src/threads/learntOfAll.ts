import { learntNumbers, type LearntNumber } from '@juvena/core/present/learntNumbers'
import type { FirmValues } from '@juvena/core/trace/trace'
import { seenOfAll } from '../store/overAllJobs.ts'

/** What the diaries of all jobs of a folder say of the firm’s own numbers. */
export const learntOfAll = ({ folder, own }: { folder: string; own: FirmValues }): LearntNumber[] =>
  learntNumbers(seenOfAll(folder), own)
