import { expect, test } from '@playwright/test'
import { killAgainAndAgain } from './killedServer.ts'

/** The short form: `npm run soak` kills a server again and again. */
const KILLS = 3

test('a server killed under writes of every kind loses nothing it acknowledged, and leaves nothing half', async () => {
  const { wrong, kills, acknowledged, imports } = await killAgainAndAgain(KILLS)
  expect(wrong).toEqual([])
  expect(kills).toBe(KILLS)
  expect(acknowledged).toBeGreaterThan(10)
  expect(imports).toBeGreaterThan(0)
})
