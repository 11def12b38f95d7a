import { expect, type Page } from '@playwright/test';

/** Opens a list by its label and takes an entry, as a keyboard user does who looks whether it was taken. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  const list = page.getByRole('combobox', { name: label });
  await list.press('ArrowDown');
  // An entry may go on with a line of explanation.
  await page
    .getByRole('option', { name: new RegExp(`^${option}( |$)`) })
    .first()
    .click();
  await expect(list).toHaveValue(new RegExp(`^${option}`));
}
