import { drop, expect, openDemo, plain, screen, test, type, value } from './app'

test('killing the server in the middle of saves loses at most the last second', async ({ page, server }) => {
  await openDemo(page, server)
  const port = new URL(server.address).port
  for (const gap of [14, 15, 16]) await type(page, 'Spacing', `${gap} mm`)
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  await type(page, 'Spacing', '17 mm')
  await server.kill()
  await type(page, 'Spacing', '18 mm')
  await expect(page.getByText('Kept here, server away')).toBeVisible()
  await server.start(port)
  // What was typed while it was away is sent by itself.
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible({ timeout: 20_000 })
  await page.reload()
  await expect(value(page, 'Spacing')).toHaveText(/18/)
})

test('what is opened for the first time while the server is away says so, and opens when it is back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await server.kill()
  await page.keyboard.press('Control+k')
  await page.keyboard.type('schedule')
  await page.keyboard.press('Enter')
  const told = page.getByText('This is opened for the first time, and the server does not answer')
  await expect(told).toBeVisible()
  await screen(page, 'Checks')
  await expect(page).toHaveURL(/arrange$/)
  // A file is not told to be damaged because nothing is there as yet to read it.
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40"><rect width="60" height="40"/></svg>'
  await drop(page, 'Tray outline.svg', Buffer.from(svg))
  const notYet = page.getByText('This is needed for the first time, and the server does not answer')
  await expect(notYet).toBeVisible()
  const corner = Buffer.from('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n')
  await expect(notYet).toHaveCount(0, { timeout: 30_000 })
  await drop(page, 'Corner.obj', corner)
  await expect(notYet).toBeVisible()
  await server.start(new URL(server.address).port)
  // The dialog comes by itself, as it was asked for.
  const schedule = page.getByRole('dialog', { name: 'Schedule' })
  await expect(schedule).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(schedule).toHaveCount(0)
  await drop(page, 'Corner.obj', corner)
  await expect(page.locator('.tray .card', { hasText: 'Corner' })).toBeVisible()
  await screen(page, 'Checks')
  await expect(page.getByRole('heading', { name: 'Checks' })).toBeVisible()
})

test('a second window that saves over a newer state is asked', async ({ page, server, context }) => {
  await openDemo(page, server)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.locator('[data-copy="9"]')).toBeVisible()
  await type(other, 'Spacing', '20 mm')
  await expect(other.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  await type(page, 'Spacing', '30 mm')
  await expect(page.getByRole('dialog', { name: 'Changed in another window' })).toBeVisible()
  await page.getByRole('button', { name: 'Take what was saved there' }).click()
  await expect(value(page, 'Spacing')).toHaveText(/20/)
  await type(page, 'Spacing', '31 mm')
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  expect(plain(await value(page, 'Spacing').innerText())).toBe('31 mm')
})

test('projects are made, duplicated, binned and brought back', async ({ page, server }) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'More for Casa Níspero tea counter' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(page.locator('.card')).toHaveCount(3)
  await page.getByRole('button', { name: 'More for Casa Níspero tea counter copy' }).click()
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click()
  await expect(page.locator('.card')).toHaveCount(2)
  await page.getByText('In the bin: 1').click()
  await page.getByRole('button', { name: 'Bring back' }).click()
  await expect(page.locator('.card')).toHaveCount(3)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('or drop a GLB, OBJ, STL, PLY or SVG here')).toBeVisible()
  await page.getByRole('button', { name: /^Line/ }).click()
  await expect(page.locator('[data-copy]')).toHaveCount(5)
})

test('what the server cannot take just now is kept, said with its reason, and sent when it can', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  const answers = [
    { status: 507, detail: 'The disk of the server is full. Nothing was changed; make room on it, then try again.' },
    { status: 429, detail: 'Too many requests at once. Wait a minute and try again.' },
    { status: 500, detail: 'Something went wrong here. Try again; nothing was changed.' },
  ]
  let tried = 0
  await page.route('**/api/projects/*', async (route) => {
    if (route.request().method() !== 'PATCH' || tried >= answers.length) return route.fallback()
    const problem = { type: 'about:blank', title: 'Problem', ...answers[tried++] }
    await route.fulfill({
      status: problem.status,
      contentType: 'application/problem+json',
      body: JSON.stringify(problem),
    })
  })
  await type(page, 'Spacing', '21 mm')
  const status = page.getByRole('status').filter({ hasText: 'Kept here, not taken yet' })
  await expect(status).toBeVisible()
  await expect(status).toHaveAttribute('title', /disk of the server is full/)
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible({ timeout: 30_000 })
  expect(tried).toBe(3)
  await page.reload()
  await expect(value(page, 'Spacing')).toHaveText(/21/)
})

test('the bin is emptied by hand, asked once more, and every project says what it takes', async ({ page, server }) => {
  await page.goto(server.address)
  const terrace = page.locator('.card', { hasText: 'Casa Níspero terrace' })
  await expect(terrace).toContainText(/\d KB|\d MB/)
  await terrace.getByRole('button', { name: /^More for/ }).click()
  await page.getByRole('menuitem', { name: 'Put into the bin' }).click()
  await page.getByText('In the bin: 1').click()
  await page.getByRole('button', { name: 'Empty the bin' }).click()
  await page.getByRole('button', { name: 'Remove 1 for good' }).click()
  await expect(page.getByText('In the bin')).toHaveCount(0)
  await expect(page.locator('.card')).toHaveCount(1)
})

test('with a password nothing is seen before it is typed, and a save waits for it where the session has ended', async ({
  page,
  server,
}) => {
  const password = { HILERA_PASSWORD: 'a nispero tree in june' }
  await server.kill()
  await server.start('0', password)
  await page.goto(server.address)
  await page.getByLabel('Password').fill('a pear tree in june')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('That is not the password. Type it again.')
  await page.getByLabel('Password').fill(password.HILERA_PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.locator('.card')).toHaveCount(2)
  await openDemo(page, server)
  // Started again it knows no session any more.
  const { port } = new URL(server.address)
  await server.kill()
  await server.start(port, password)
  await type(page, 'Spacing', '23 mm')
  const status = page.getByRole('status').filter({ hasText: 'Kept here, not taken yet' })
  await expect(status).toHaveAttribute('title', /You are signed out/, { timeout: 20_000 })
  page.once('dialog', (dialog) => void dialog.accept())
  const at = page.url()
  await page.reload()
  await page.getByLabel('Password').fill(password.HILERA_PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page.locator('.card')).toHaveCount(2)
  await page.goto(at)
  await expect(value(page, 'Spacing')).toHaveText(/23/)
})
