import { expect, test } from '@playwright/test';
import { PHONE, signIn, WIDE } from './steps';

/** Who may come in: passwords, devices, letting somebody out, and the record of it. */
test.use({ serviceWorkers: 'block' });

test('a password set by an admin opens once; one’s own comes first, and what was typed wrong stays', async ({
  page,
  browser,
}) => {
  await page.setViewportSize(WIDE);
  await signIn(page, 'maud');
  await page.goto('/settings/people');
  const add = page.getByTestId('add person');
  await add.getByLabel('Name', { exact: true }).fill('Wren Copse');
  await add.getByLabel('Sign-in name').fill('wren');
  await add.getByLabel(/First password/).fill('password123');
  await add.getByRole('button', { name: 'Add the person' }).click();
  await expect(add).toContainText('tried first');
  await expect(add.getByLabel('Sign-in name')).toHaveValue('wren');
  await add.getByLabel(/First password/).fill('heron sickle dew');
  await add.getByRole('button', { name: 'Add the person' }).click();
  const wren = page.getByTestId('person wren');
  await expect(wren).toContainText('signed in nowhere');

  const phone = await browser.newPage({ viewport: PHONE, serviceWorkers: 'block' });
  await signIn(phone, 'wren', 'heron sickle dew', 'must change');
  await wren.getByRole('button', { name: /Wren Copse, technician/ }).click();
  await wren.getByLabel(/^New password for Wren Copse/).fill('sickle heron dew');
  // the card says so already, of the first password: that the second is set, only the answer tells
  const set = page.waitForResponse((r) => /\/api\/people\//.test(r.url()) && r.ok());
  await wren.getByRole('button', { name: 'Set the password of Wren Copse' }).click();
  await set;
  await expect(wren).toContainText('is to set their own password');

  await phone.reload();
  await expect(phone.getByTestId('sign-in')).toBeVisible();
  await signIn(phone, 'wren', 'sickle heron dew', 'must change');
  const own = phone.getByTestId('own password');
  await own.getByLabel('The password you have now').fill('sickle heron dew');
  await own.getByLabel(/^New password, at least/).fill('dew on the stubble');
  await own.getByLabel('New password once more').fill('dew on the stable');
  await own.getByRole('button', { name: 'Change the password' }).click();
  await expect(own).toContainText('not the same both times');
  await own.getByLabel('New password once more').fill('dew on the stubble');
  await own.getByRole('button', { name: 'Change the password' }).click();
  await expect(phone.getByTestId('machine T118')).toBeVisible();

  // suspended, the phone shows nothing of the branch any more
  await page.reload();
  await wren.getByRole('button', { name: /Wren Copse, technician/ }).click();
  await wren.getByRole('button', { name: 'Suspend Wren Copse' }).click();
  await wren.getByRole('button', { name: 'Tap again to suspend Wren Copse' }).click();
  await expect(page.getByTestId('suspended')).toContainText('Wren Copse');
  await phone.reload();
  await expect(phone.getByTestId('sign-in')).toBeVisible();
  const left = await phone.evaluate(async () => {
    const open = indexedDB.open('green-tally');
    const db = await new Promise<IDBDatabase>((done) => {
      open.onsuccess = () => done(open.result);
    });
    const count = (name: string) =>
      new Promise<number>((done) => {
        const asked = db.transaction(name).objectStore(name).count();
        asked.onsuccess = () => done(asked.result);
      });
    return [await count('machines'), await count('readings'), await count('sheets')];
  });
  expect(left).toEqual([0, 0, 0]);
  await phone.close();

  await page.goto('/settings/audit');
  await expect(page.getByTestId('audit')).toContainText('Wren Copse');
  await expect(page.getByTestId('audit')).toContainText('suspended');
});
