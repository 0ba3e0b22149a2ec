import { expect, test } from './page-test.ts';
import { signIn } from './people.ts';

test('somebody is invited, sets a password by the link, and is out the moment the account is disabled', async ({
  page,
  browser,
  address,
}) => {
  await signIn(page, 'administrator');
  await expect(page.getByRole('note')).toHaveText(/Demo accounts are open/);
  await page.getByRole('link', { name: 'People' }).click();
  await page.getByRole('button', { name: 'Invite' }).click();
  await page.getByLabel('Name').fill('Tomas Vale');
  await page.getByLabel('Address').fill('tomas.vale@shop.example');
  await page.getByRole('button', { name: 'Make link' }).click();
  const link = await page.getByLabel('One-time link').inputValue();
  await page.getByRole('button', { name: 'Done' }).click();
  const row = page.getByRole('row', { name: /Tomas Vale/ });
  await expect(row).toContainText('no password yet');

  const other = await browser.newPage({ baseURL: address });
  await other.goto(link);
  const set = async (password: string): Promise<void> => {
    await other.getByLabel('New password').fill(password);
    await other.getByLabel('The same once more').fill(password);
    await other.getByRole('button', { name: 'Set password' }).click();
  };
  await expect.poll(() => new URL(other.url()).hash, 'the token stays in no history').toBe('');
  await set('short');
  await expect(other.getByText(/needs 12 characters or more/)).toBeVisible();
  await set('password1234');
  await expect(other.getByText(/Choose another/)).toBeVisible();
  await set('keel anchor violet tram');
  await other.getByRole('link', { name: 'Sign in' }).click();
  await other.getByLabel('Address').fill('tomas.vale@shop.example');
  await other.getByLabel('Password').fill('keel anchor violet tram');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other.getByRole('button', { name: 'New job' })).toBeVisible();

  // The same link a second time.
  const late = await browser.newPage({ baseURL: address });
  await late.goto(link);
  await late.getByLabel('New password').fill('another keel and anchor');
  await late.getByLabel('The same once more').fill('another keel and anchor');
  await late.getByRole('button', { name: 'Set password' }).click();
  await expect(late.getByText(/was used, replaced or ran out/)).toBeVisible();

  await page.reload();
  await expect(row).toContainText('signed in');
  await row.getByLabel('Role of Tomas Vale').selectOption('floor');
  await expect(page.getByText('Tomas Vale is floor from now on.')).toBeVisible();
  await other.reload();
  await expect(other.getByRole('heading', { name: 'Desk' })).toBeVisible();
  await expect(other.getByRole('button', { name: 'New job' })).toHaveCount(0);
  await row.getByRole('button', { name: 'Disable Tomas Vale' }).click();
  await expect(row).toContainText('disabled');
  await other.reload();
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await Promise.all([other.close(), late.close()]);
});

test('everybody changes their own password, and only with the present one', async ({ page }) => {
  await signIn(page, 'floor');
  await page.getByRole('button', { name: /^Your account/ }).click();
  const change = async (current: string, password: string): Promise<void> => {
    await page.getByLabel('Present password').fill(current);
    await page.getByLabel('New password').fill(password);
    await page.getByLabel('The same once more').fill(password);
    await page.getByRole('button', { name: 'Change password' }).click();
  };
  await change('not the one', 'keel anchor violet tram');
  await expect(page.getByText('The present password is another.')).toBeVisible();
  await change('burl-demo-2026', 'keel anchor violet tram');
  await expect(page.getByText(/The password is changed/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
  // As it was: the next test signs in with it.
  await page.getByRole('button', { name: /^Your account/ }).click();
  await change('keel anchor violet tram', 'burl-demo-2026');
  await expect(page.getByText(/The password is changed/)).toBeVisible();
});
