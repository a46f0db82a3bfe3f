import { expect, type Page } from '@playwright/test';
import { confirmPosition, enter } from '../steps';
import type { Check, Entry } from './script';

/** Takes one check of a walk from its opening to its verdict, through the interface only. */
export async function take(page: Page, check: Check, entries: readonly Entry[]): Promise<void> {
  const verdict = page.getByTestId('check verdict');
  const confirm = page.getByTestId('confirm position');
  const open = page.getByTestId('check');
  await expect(open.or(verdict)).toBeVisible();
  const ways = page.getByTestId(WAY[check.kind] ?? 'judge').first();
  await expect(confirm.or(ways).first()).toBeVisible();
  if (await confirm.isVisible()) await confirmPosition(page);
  await TAKES[check.kind]?.(page, check, entries);
  await expect(verdict).toBeVisible();
}

const WAY: Readonly<Record<string, string>> = { measure: 'pad text', series: 'pad text' };

type Take = (page: Page, check: Check, entries: readonly Entry[]) => Promise<void>;

const judge = (page: Page) => page.getByTestId('judge').click();

const TAKES: Readonly<Record<string, Take>> = {
  measure: measured,
  series: measured,
  mark: async (page, _, entries) => {
    for (const { place, left } of entries) {
      const half = page.getByTestId(`half ${place}`);
      await half.getByRole('radio', { name: /^At it/ }).click();
      if (left) await half.getByLabel(/Slot left/).fill(left);
    }
    await judge(page);
  },
  feel: async (page, check, entries) => {
    for (const { place, left } of entries) {
      const half = page.getByTestId(`half ${place}`);
      await half.getByRole('radio', { name: /^Just slides/ }).click();
      if (check.asksPlay) await half.getByRole('radio', { name: 'None' }).click();
      if (left) await half.getByLabel(/Slot left/).fill(left);
    }
    await judge(page);
  },
  gonogo: seen((value) => (value === 'fits' ? 'It fits' : 'It does not fit')),
  condition: async (page, _, entries) => {
    for (const { place, value } of entries) {
      const card = page.getByTestId(`seen ${place}`);
      await card.getByRole('radio', { name: value === 'marked' ? 'Marked' : 'Sound' }).click();
      if (value === 'marked')
        await card.getByLabel(/What else was seen/).fill('seen by the script');
    }
    await judge(page);
  },
  level: seen(() => 'Right'),
  setting: seen((value) => value),
  service: async (page, _, entries) => {
    for (const { place, value } of entries) {
      const card = page.getByTestId(`seen ${place}`);
      await card.getByRole('radio', { name: 'Done now' }).click();
      if (value) await card.getByLabel(/^How many/).fill(value);
    }
    await judge(page);
  },
  count: async (page, _, entries) => {
    for (const [i] of entries.entries()) {
      if (entries.length > 1)
        await expect(page.getByText(`${i + 1} of ${entries.length}`)).toBeVisible();
      await judge(page);
      await page.getByRole('button', { name: /^Yes, all/ }).click();
    }
  },
};

function seen(title: (value: string) => string): Take {
  return async (page, _, entries) => {
    for (const { place, value } of entries)
      await page
        .getByTestId(`seen ${place}`)
        .getByRole('radio', { name: title(value), exact: true })
        .click();
    await judge(page);
  };
}

/** Lengths at the pad; where there are several places or a travel, in one pass over them. */
async function measured(page: Page, check: Check, entries: readonly Entry[]): Promise<void> {
  const [only] = entries;
  if (check.kind === 'measure' && entries.length === 1 && only && !check.takeUp) {
    await enter(page, only.value);
    return;
  }
  const place = page.getByTestId('series place');
  for (const { place: at, value } of entries) {
    await expect(place).toHaveText(at);
    await enter(page, value);
  }
  for (const { place: at, left } of entries) {
    if (!left) continue;
    await expect(place).toHaveText(`${at}, travel left`);
    await enter(page, left);
  }
}
