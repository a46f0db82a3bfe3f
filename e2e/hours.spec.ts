import { expect, test } from '@playwright/test';
import { openAs, PHONE } from './steps';

/** Hours from the simulated fleet service: they move, and what is odd waits for a person. */
test.use({ viewport: PHONE });

test('hours move by the service; a meter that was set back is asked about, and goes on once it is said to be swapped', async ({
  page,
}) => {
  await openAs(page, 'rhea', '/settings/hours');
  await page.getByTestId('ask hours').click();
  await expect(page.getByRole('heading', { name: 'As reported last' })).toBeVisible();
  const file = (hours: number, hour: number) =>
    JSON.stringify({
      Equipment: [
        {
          EquipmentHeader: { SerialNumber: 'T113' },
          CumulativeSeparatorHours: { datetime: `2026-06-1${hour}T06:00:00Z`, Hour: hours },
        },
      ],
    });
  const bring = (text: string) =>
    page.getByTestId('hours file').setInputFiles({
      name: 'fleet.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  await bring(file(4, 0));
  const asked = page.getByTestId('asked T113 separator');
  await expect(asked).toContainText('It begins anew');
  await asked.getByTestId('hours swapped').click();
  await expect(asked).toBeHidden();
  await bring(file(9, 1));
  await expect(page.getByText(/of the meter before/).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring in a snapshot' })).toBeEnabled();
  await bring('<Fleet><Equipment>');
  await expect(page.getByTestId('hours trouble')).toContainText('whole XML');
});
