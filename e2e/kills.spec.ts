import { expect, test } from '@playwright/test'
import { killAgainAndAgain } from './killedServer.ts'

test('a server killed twenty times under writes of every kind loses nothing it acknowledged, and leaves nothing half', async () => {
  test.setTimeout(400_000)
  const { wrong, kills, acknowledged, imports } = await killAgainAndAgain(20)
  expect(wrong).toEqual([])
  expect(kills).toBe(20)
  expect(acknowledged).toBeGreaterThan(100)
  expect(imports).toBeGreaterThan(0)
})
