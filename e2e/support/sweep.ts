import type { Page } from '@playwright/test'

/** Pressed on one of the Pikes on the sheet and drawn to another; not yet let go. */
export async function beginSweep(page: Page, from: number, to: number): Promise<void> {
  const middle = async (number: number) => {
    const box = (await page
      .getByRole('gridcell', { name: new RegExp(`^Pikes ${String(number)}, `) })
      .boundingBox())!
    return [box.x + box.width / 2, box.y + box.height / 2] as const
  }
  await page.mouse.move(...(await middle(from)))
  await page.mouse.down()
  await page.mouse.move(...(await middle(to)), { steps: 8 })
}
