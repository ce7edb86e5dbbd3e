import type { Page } from '@playwright/test';
import { at, cell, expect, test, VIEWS, visit } from './fixtures.ts';

/** Everything on the page that is pressed and smaller than a finger. */
const tooSmall = (page: Page) =>
  page.evaluate(() => {
    const isShown = (element: Element) => {
      const { width, height } = element.getBoundingClientRect();
      const style = getComputedStyle(element);
      return width > 1 && height > 1 && style.visibility !== 'hidden' && style.opacity !== '0';
    };
    return (
      [...document.querySelectorAll('button, a[href], select, textarea, input:not([type="file"])')]
        .filter((one) => !(one as HTMLElement).hidden && !one.closest('.visually-hidden') && isShown(one))
        // A tick box is pressed by its label; a word in a sentence is as high as its line.
        .filter(
          (one) =>
            !one.matches('[type="checkbox"], [type="radio"]') && !one.matches('p a, td a, li a, .term'),
        )
        .filter((one) => {
          const { width, height } = one.getBoundingClientRect();
          return Math.round(width) < 44 || Math.round(height) < 44;
        })
        .map((one) => `${one.getAttribute('aria-label') ?? one.textContent} (${one.className})`)
    );
  });

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('the step’s own content stands first, under one line of card', async ({ page }) => {
    await visit(page, at('judge'));
    const card = (await page.locator('.set-card').boundingBox())!;
    expect(card.height).toBeLessThan(90);
    for (const id of ['placement', 'card', 'skin', 'warning']) await expect(cell(page, id)).toBeVisible();
    await expect(page.locator('.cell[data-cell="iso"]')).toBeHidden();
    // Picture and the first verdict within the first screen.
    await expect(page.locator('.picture-box')).toBeInViewport({ ratio: 1 });
    await expect(page.locator('[data-verdict]').first()).toBeInViewport();
    await page.getByRole('button', { name: 'Whole set card' }).tap();
    await expect(page.locator('.cell[data-cell="iso"]')).toBeVisible();
    await expect(page.locator('.chooser')).toBeVisible();
    await page.getByRole('button', { name: 'Fold the set card' }).tap();
    await expect(page.locator('.chooser')).toBeHidden();
    for (const name of ['Surround', 'Help'])
      await expect(page.locator('.work-foot').getByRole('button', { name })).toBeVisible();
  });

  test('the ladder is a swipe away, and its card moves by touch', async ({ page }) => {
    await visit(page, at('plan'));
    await expect(page.locator('.ladder')).toBeHidden();
    const tab = page.getByRole('button', { name: 'Stop ladder' });
    const box = (await tab.boundingBox())!;
    const client = await page.context().newCDPSession(page);
    const touch = (type: string, x?: number, y?: number) =>
      client.send('Input.dispatchTouchEvent', {
        type: type as 'touchStart',
        touchPoints: x === undefined || y === undefined ? [] : [{ x, y }],
      });
    const drag = async (x: number, y: number, toX: number, toY: number) => {
      await touch('touchStart', x, y);
      for (let part = 1; part <= 8; part += 1)
        await touch('touchMove', x + ((toX - x) * part) / 8, y + ((toY - y) * part) / 8);
      await touch('touchEnd');
    };
    await drag(box.x + 20, box.y + 40, box.x - 120, box.y + 40);
    await expect(page.locator('.ladder')).toBeVisible();
    const handle = (await page.locator('.ladder-handle').boundingBox())!;
    const rungs = await page
      .locator('.rung')
      .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().y));
    const stop = Math.abs(rungs[1] - rungs[0]);
    const [x, y] = [handle.x + handle.width / 2, handle.y + handle.height / 2];
    await drag(x, y, x, y - stop);
    await expect(cell(page, 'placement')).toHaveText('+1 2/3');
    await page.getByRole('button', { name: 'Put the ladder away' }).tap();
    await expect(page.locator('.ladder')).toBeHidden();
  });
});

for (const [name, viewport] of [
  ['a phone', { width: 390, height: 844 }],
  ['a tablet', { width: 768, height: 1024 }],
] as const)
  test(`nothing on ${name} is smaller than a finger, and nothing runs out at the side`, async ({
    browser,
  }) => {
    const { baseURL, storageState } = test.info().project.use;
    const page = await browser.newPage({ viewport, baseURL, storageState, hasTouch: true, isMobile: true });
    for (const view of VIEWS) {
      const [step, ...rest] = view.split('&');
      await visit(page, [at(step), ...rest].join('&'));
      expect.soft(await tooSmall(page), view).toEqual([]);
      expect.soft(await page.evaluate(() => document.documentElement.scrollWidth), view).toBe(viewport.width);
    }
    await page.close();
  });

/** What opens over a screen: where it is, and how it is opened. */
const OPENED: readonly (readonly [string, string, (page: Page) => Promise<void>])[] = [
  [
    'the choice of set-up',
    'plan',
    async (page) => {
      await page.getByRole('button', { name: 'Whole set card' }).tap();
      await page.locator('.chooser').first().tap();
    },
  ],
  [
    'a cell of the card',
    'plan',
    async (page) => {
      await page.getByRole('button', { name: 'Whole set card' }).tap();
      await page.locator('.cell[data-cell="iso"]').tap();
    },
  ],
  ['the zebra of the card', 'plan', (page) => page.locator('.cell[data-cell="card"]').tap()],
  ['help', 'plan', (page) => page.locator('.work-foot').getByRole('button', { name: 'Help' }).tap()],
  ['more on the picture', 'judge', (page) => page.getByRole('button', { name: 'More', exact: true }).tap()],
  [
    'settings of a scope',
    'judge',
    (page) => page.getByRole('button', { name: 'Set', exact: true }).first().tap(),
  ],
  [
    'a deletion',
    'kit&part=shoots',
    (page) =>
      page
        .getByRole('button', { name: /^Delete/ })
        .first()
        .tap(),
  ],
];

test.describe('over a screen of a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  for (const [name, view, open] of OPENED)
    test(`${name}: nothing is smaller than a finger`, async ({ page }) => {
      const [step, ...rest] = view.split('&');
      await visit(page, [at(step), ...rest].join('&'));
      await open(page);
      await expect(page.locator('.popover, .modal.show').first()).toBeVisible();
      expect(await tooSmall(page)).toEqual([]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
    });
});
