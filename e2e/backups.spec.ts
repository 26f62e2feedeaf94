import { at, expect, test } from './juvena.ts'

test.use({ firms: { file: 'backups', names: ['blank'] } })

test('a backup is made and restored at the page, and what came after it is moved aside', async ({
  page,
  quiet,
}) => {
  // Whoever asks while the firm is closed finds nobody, for a moment.
  quiet.allow(/ERR_CONNECTION|ERR_EMPTY_RESPONSE|ERR_SOCKET/)
  const add = async (name: string) =>
    expect((await page.request.post(at('blank', '/api/jobs'), { data: { name } })).ok()).toBe(true)
  await add('Before the backup')
  await page.goto(at('blank', '/yard/backups'))
  await page.getByRole('button', { name: 'Back up now' }).click()
  await expect(page.getByRole('status').getByText(/Backed up: 1 jobs?/)).toBeVisible()
  await add('After the backup')
  await page.getByRole('button', { name: 'restore', exact: true }).first().click()
  const sure = page.getByRole('alertdialog', { name: 'Restore this backup' })
  await expect(sure).toContainText('moved aside, not deleted')
  await sure.getByRole('button', { name: 'Leave it' }).click()
  await expect(sure).toHaveCount(0)
  await page.getByRole('button', { name: 'restore', exact: true }).first().click()
  await sure.getByRole('button', { name: 'Restore it' }).click()
  await expect(page.getByRole('link', { name: 'Before the backup' })).toBeVisible()
  await expect(page.getByText('After the backup')).toHaveCount(0)
  // The firm that opened again takes work.
  await add('Work goes on')
  await page.reload()
  await expect(page.getByRole('link', { name: 'Work goes on' })).toBeVisible()
})
