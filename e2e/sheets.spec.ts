import { expect, test, type Page } from '@playwright/test';
import { beginWalk, openAs, openMachine, openStop, openYardAs, PHONE, WIDE } from './steps';

/** Sheets as a planner keeps them: schools, copies, two models side by side, what moves with a crop. */
test.describe('at a desk', () => {
  test.use({ viewport: WIDE });

  test('another school is chosen, published, and the walk asks by it and says why', async ({
    page,
  }) => {
    await openAs(page, 'maud', '/specs/Ouzel%209');
    await page.getByRole('button', { name: 'Show the schools' }).click();
    const schools = page.getByTestId('schools');
    const eyeBolt = schools.getByRole('radio', { name: /^Eye-bolt between its hash marks/ });
    await expect(eyeBolt).toBeChecked();
    await schools.getByRole('radio', { name: /^Slat in the window/ }).click();
    await expect(page.getByTestId('draft')).toContainText('chosen');
    await page.getByLabel(/^Remark/).fill('We look through the window from now on.');
    await page.getByTestId('publish').click();
    await expect(page.getByTestId('draft')).toHaveCount(0);

    await page.setViewportSize(PHONE);
    await page.goto('/');
    await openMachine(page, 'T133');
    await beginWalk(page);
    await openStop(page, 'conveyor-chain-tension-slat-in-window');
    await expect(page.getByTestId('follows conveyor-judged')).toContainText(
      'How the conveyor chain is judged, here: slat in the window',
    );
    const school = page.getByTestId('school conveyor-judged');
    await expect(school).toContainText('springs tire');
    await expect(school).toContainText('Others: spring against its gauge');
  });

  test('a sheet is copied to a new model, and two models stand side by side', async ({ page }) => {
    await openAs(page, 'rhea', '/specs');
    await page.getByTestId('new sheet').getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('radio', { name: /Tarn 5, with its figures/ }).click();
    await page.getByRole('textbox', { name: 'Model' }).fill('Tarn 6');
    await page.getByRole('textbox', { name: 'Maker' }).fill('Brackenfell');
    await page.getByTestId('make sheet').click();
    await expect(page.getByTestId('limit progress')).toContainText(/^(\d+) of \1 entered$/);
    await page.goto('/specs/Tarn%206/compare');
    await page.getByRole('radio', { name: 'Brackenfell Tarn 5' }).click();
    await expect(page.getByTestId('compare summary')).toContainText('0 checks differ');
    await page.getByRole('radio', { name: 'Brackenfell Tarn 7' }).click();
    await expect(page.getByTestId('compare summary')).toContainText('only on Tarn 7');
    await expect(page.getByTestId('compared header-gearbox-main')).toContainText(
      'Header on the ground, level → Header raised on its stops',
    );
  });

  test('a page of the book is kept with the sheet and opened from its check', async ({ page }) => {
    await openAs(page, 'rhea', '/specs/Corrie%206');
    await page.getByRole('button', { name: 'Show the pages' }).click();
    const pages = page.getByTestId('pages');
    await pages.getByLabel('Name of the page').fill('page 112');
    await pages.getByLabel(/About which checks/).fill('fan-drive-belt');
    const file = (text: string) => ({
      name: 'page.pdf',
      mimeType: 'application/pdf',
      buffer: Buffer.from(text),
    });
    await page.getByTestId('page file').setInputFiles(file('no pdf at all'));
    await expect(pages).toContainText('neither a PDF nor a picture');
    await expect(pages.getByLabel('Name of the page')).toHaveValue('page 112');
    await page.getByTestId('page file').setInputFiles(file('%PDF-1.4 one page'));
    await expect(pages).toContainText('about fan-drive-belt');
    await page.goto('/specs/Corrie%206/fan-drive-belt');
    // not every browser reads a PDF beside the page: what is opened is looked at itself
    await page.evaluate(() => {
      const blobs = new Map<string, Blob>();
      URL.createObjectURL = (blob) => {
        const url = `blob:${blobs.size}`;
        blobs.set(url, blob as Blob);
        return url;
      };
      window.open = (url) => {
        const blob = blobs.get(String(url));
        void blob?.text().then((text) => (document.body.dataset['opened'] = blob.type + text));
        return null;
      };
    });
    await page.getByRole('button', { name: 'Open page 112' }).click();
    await expect(page.locator('body')).toHaveAttribute(
      'data-opened',
      'application/pdf%PDF-1.4 one page',
    );
    await page.goto('/specs/Corrie%206/engine-oil');
    await expect(page.getByTestId('spec check')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Open page 112' })).toHaveCount(0);
  });

  test('checks are found by oil, part, position and school', async ({ page }) => {
    await openAs(page, 'rhea', '/specs/Ouzel%207');
    const find = async (words: string, id: string) => {
      await page.getByLabel('Find a check').fill(words);
      await expect(page.getByTestId(`check ${id}`)).toBeVisible();
      await expect(page.getByTestId('check feeder-lift-stop')).toHaveCount(0);
    };
    await find('reverser fluid', 'reverser-oil');
    await find('LM-7715', 'chopper-knives');
    await find('tank empty', 'unload-gears');
    await find('slat in the window', 'conveyor-chain-tension-slat-in-window');
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: PHONE });

  test('all settings to move for another crop are on one card, position by position', async ({
    page,
  }) => {
    await openYardAs(page, 'ines');
    await openMachine(page, 'T091');
    await page.getByTestId('to changeover').click();
    await expect(page.getByTestId('changeover')).toContainText('It is set for lentils, Merle 10');
    await page.getByRole('radio', { name: 'malting barley' }).click();
    const card = page.getByTestId('settings to move');
    await expect(card).toContainText(/\d+ to move/);
    await expect(page.getByTestId('move crop-spacers')).toContainText('stored → fitted');
    await expect(page.getByTestId('move flex-pin')).toContainText('flex → rigid');
    await page.getByRole('radio', { name: 'lentils' }).click();
    await expect(card).toHaveCount(0);
  });

  test('what is lost brings what the rule says, and the box it is sold in', async ({ page }) => {
    await openYardAs(page, 'rhea');
    await page.goto(`/work/${await idOf(page, 'T131')}`);
    await expect(page.getByTestId('work of a machine').or(page.getByRole('main'))).toContainText(
      '4 × LM-7712 Chopper knife',
    );
    await expect(page.getByRole('main')).toContainText('4 × LM-7715 Knife bolt set');
  });
});

async function idOf(page: Page, serial: string): Promise<string> {
  const { rows } = (await (await page.request.get('/api/yard')).json()) as {
    rows: { machine: { id: string; serial: string } }[];
  };
  return rows.find((r) => r.machine.serial === serial)?.machine.id ?? '';
}
