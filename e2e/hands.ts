import type { Page } from '@playwright/test';

/** Opens a list by its label and takes an entry, as a keyboard user does. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: label }).press('ArrowDown');
  // An entry may go on with a line of explanation.
  await page
    .getByRole('option', { name: new RegExp(`^${option}( |$)`) })
    .first()
    .click();
}
