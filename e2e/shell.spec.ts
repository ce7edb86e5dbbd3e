import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { MEANT_PATH, cell, expect, openPart, reloaded, test, visit, VIEWS } from './fixtures.ts';

const at = (view: string) => {
  const [step, ...more] = view.split('&');
  return `/${[`${step}?shoot=salt-and-fire`, 'setup=furnace-mouth', 'camera=a-cam', ...more].join('&')}`;
};
/** Every view, for checks that hold everywhere. */
test('every page is guarded: policy with a nonce, isolated, from this machine alone', async ({ page }) => {
  const answer = await page.goto(at('plan'));
  const headers = answer?.headers() ?? {};
  expect(headers['content-security-policy']).toMatch(/default-src 'self'.*script-src 'self' 'nonce-[^']+';/);
  expect(headers['content-security-policy']).not.toContain('unsafe-eval');
  expect(headers['cross-origin-embedder-policy']).toBe('require-corp');
  expect(headers['x-powered-by']).toBeUndefined();
  await page.locator('.set-card').waitFor();
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
  const fonts = await page.evaluate(async () => {
    await document.fonts.ready;
    return [...document.fonts].filter(({ status }) => status === 'loaded').map(({ family }) => family);
  });
  expect(fonts.join()).toContain('Atkinson Hyperlegible Next');
  expect(fonts.join()).toContain('Atkinson Hyperlegible Mono');
});

test('neither page nor worker reaches another origin or makes code of text', async ({ page, baseURL }) => {
  // The same machine at another port is another origin; nothing answers there.
  const port = Number(new URL(baseURL ?? '').port) + 1;
  const other = `http://127.0.0.1:${port}/${MEANT_PATH}`;
  const opened = page.waitForEvent('worker');
  await visit(page, at('judge'));
  const worker = await opened;

  const tryBoth = async (url: string) => {
    // Later, as a task of its own: what the test's own call runs is let through.
    const made = await new Promise<string>((resolve) =>
      setTimeout(() => {
        try {
          new Function('return 1')();
          resolve('ran');
        } catch (error) {
          resolve((error as Error).name);
        }
      }),
    );
    const fetched = await fetch(url).then(
      () => 'came',
      (error: Error) => error.message,
    );
    return { fetched, made };
  };
  const refused = { fetched: expect.stringMatching(/violates|Failed to fetch/), made: 'EvalError' };
  expect(await page.evaluate(tryBoth, other)).toEqual(refused);
  expect(await worker.evaluate(tryBoth, other)).toEqual(refused);

  const blocked = (kind: string) =>
    page.evaluate(
      ([element, url]) =>
        new Promise<string>((resolve) => {
          document.addEventListener(
            'securitypolicyviolation',
            ({ effectiveDirective }) => resolve(effectiveDirective),
            {
              once: true,
            },
          );
          const made = document.createElement(element);
          made.setAttribute('src', url);
          document.body.append(made);
        }),
      [kind, other] as const,
    );
  expect(await blocked('script')).toBe('script-src-elem');
  expect(await blocked('img')).toBe('img-src');
  await expect(page.evaluate((url) => void new Worker(url), other)).rejects.toThrow(/cannot be accessed/);
});

test('moving the placement redraws ladder and card within one frame, with no word from a worker', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => {
    const post = Worker.prototype.postMessage;
    (window as unknown as { posted: number }).posted = 0;
    Worker.prototype.postMessage = function count(this: Worker, ...args: unknown[]) {
      (window as unknown as { posted: number }).posted += 1;
      return (post as (...a: unknown[]) => void).apply(this, args);
    } as typeof post;
  });
  await visit(page, at('plan'));
  const slider = page.getByRole('slider', { name: 'Placement of the card' });
  await expect(slider).toHaveAttribute('aria-valuetext', '+1 stops');
  await slider.focus();
  const seen = await slider.evaluate(async (element) => {
    const card = () => document.querySelector('.cell[data-cell="card"] .cell-value')?.textContent;
    const read = () => ({
      card: card(),
      value: element.getAttribute('aria-valuetext'),
      y: element.getAttribute('y'),
    });
    const before = read();
    const counted = window as unknown as { posted: number };
    counted.posted = 0;
    element.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }));
    await new Promise((resolve) => requestAnimationFrame(resolve));
    return { before, after: read(), posted: counted.posted };
  });
  expect(seen.before.card).toBe('49±2');
  expect(seen.after.card).toBe('52±2');
  expect(seen.after.value).toBe('+1 1/3 stops');
  expect(Number(seen.after.y)).toBeLessThan(Number(seen.before.y));
  expect(seen.posted).toBe(0);
  // It is on the disk a moment later: another window has it.
  const other = await context.newPage();
  await visit(other, at('plan'));
  await expect(cell(other, 'card')).toHaveText('52±2');
});

test('the card on the ladder is dragged', async ({ page }) => {
  await visit(page, at('plan'));
  const handle = page.getByRole('slider', { name: 'Placement of the card' });
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  const stop = await page
    .locator('.rung')
    .evaluateAll((rungs) => rungs[1].getBoundingClientRect().top - rungs[0].getBoundingClientRect().top);
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + stop, { steps: 6 });
  await page.mouse.up();
  await expect(cell(page, 'placement')).toHaveText('0');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'placement')).toHaveText('+1');
});

test('everything is reached by keyboard', async ({ page }) => {
  await visit(page, at('plan'));
  for (const [key, path] of [
    ['1', '/kit'],
    ['3', '/judge'],
    ['4', '/log'],
    ['7', '/handoff'],
    ['2', '/plan'],
  ]) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`${path}\\?shoot=salt-and-fire&setup=furnace-mouth`));
  }
  await page.keyboard.press('[');
  await expect(cell(page, 'placement')).toHaveText('+2/3');
  await page.locator('.cell[data-cell="iso"]').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'ISO' })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(cell(page, 'iso')).toHaveText('1000');
  await page.keyboard.press('Escape');
  await expect(page.locator('.cell[data-cell="iso"]')).toBeFocused();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('b');
  await expect(page.locator('html')).toHaveAttribute('data-surround', 'grey');
});

test('a camera and a subject of one’s own: added, typed, used by the card', async ({ page }) => {
  await visit(page, at('kit'));
  await page.getByRole('button', { name: 'Duplicate camera A-cam' }).click();
  await expect(page.locator('.chooser')).toContainText('A-cam copy');
  const camera = page.locator('.panel', { has: page.getByRole('button', { name: 'Save camera' }) });
  await camera.getByLabel('Name', { exact: true }).fill('Cart cam');
  await camera.getByLabel(/Up to fps/).fill('60 long GOP 150');
  await camera.getByRole('button', { name: 'Zebra and waveform' }).click();
  await camera.getByLabel('Zebra levels').fill('30 to 100');
  await camera.getByLabel('Zebra in steps of').fill('5');
  await camera.getByLabel('± offered').fill('2 5 10');
  await camera.getByRole('button', { name: 'Noise and floor' }).click();
  await camera.getByLabel('Usable floor').fill('high');
  await camera.getByRole('button', { name: 'Noise and floor' }).click();
  await camera.getByRole('button', { name: 'Save camera' }).click();
  await expect(camera.getByText('Usable floor: type the lowest clean stop')).toBeVisible();
  await camera.getByLabel('Usable floor').fill('−4 1/2');
  await camera.getByRole('button', { name: 'Save camera' }).click();
  await expect(page.locator('.chooser')).toContainText('Cart cam');
  await expect(page.locator('.facts')).toContainText('long GOP, 150');
  await expect(page.locator('.ladder')).toContainText('floor −4.5');
  await expect(cell(page, 'card')).toHaveText('40±2');
  await openPart(page, 'Bag');
  await page.getByRole('button', { name: 'Add subject' }).click();
  const subject = page.locator('.bag-form');
  await subject.getByLabel('Name').fill('Ida');
  await subject.getByLabel('offset, stops').fill('bright');
  await subject.getByRole('button', { name: 'Add subject' }).click();
  await expect(subject.getByRole('alert')).toContainText('type stops from −4 to +4');
  await subject.getByLabel('offset, stops').fill('2/3');
  await subject.getByRole('button', { name: 'Add subject' }).click();
  await expect(page.locator('.mark-skin')).toHaveCount(2);
  await page.getByRole('button', { name: 'Take Ida out' }).click();
  await expect(page.locator('.mark-skin')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.mark-skin')).toHaveCount(2);
  await reloaded(page);
  await expect(page.locator('.chooser')).toContainText('Cart cam');
  await expect(page.locator('.mark-skin')).toHaveCount(2);
});

test.describe('no accessibility violation', () => {
  // One page for all of them: a new one would load and seed everything anew each time.
  let page: Page;
  test.beforeAll(async ({ browser }) => {
    // A colour on its way from one surround to the next is none to be measured.
    page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  });
  test.afterAll(() => page.close());

  for (const view of VIEWS)
    test(`in ${view}, of any level, at any size, in any surround`, async () => {
      test.slow();
      const found: string[] = [];
      for (const [width, height] of [
        [1280, 800],
        [768, 1024],
        [390, 844],
      ]) {
        await page.setViewportSize({ width, height });
        await visit(page, at(view));
        if (view === 'judge') await expect(page.locator('[data-verdict="card"]')).toBeVisible();
        // Contrast is the same at every size but for what a size hides: AXE_EVERY=1 measures it everywhere.
        const isWhole = width === 1280 || process.env.AXE_EVERY !== undefined;
        for (const surround of isWhole ? ['dark', 'grey', 'daylight'] : ['dark']) {
          await expect(page.locator('html')).toHaveAttribute('data-surround', surround);
          // There are no frames to go into, and what holds need not be listed: both cost most of the time.
          const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
          // What a surround changes is contrast; the rest is the same page.
          if (surround !== 'dark') axe.withRules(['color-contrast']);
          else if (!isWhole) axe.disableRules(['color-contrast']);
          const { violations } = await axe.analyze();
          for (const { id, nodes } of violations)
            found.push(
              `${width} ${surround} ${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`,
            );
          if (isWhole) await page.keyboard.press('b');
        }
      }
      expect(found).toEqual([]);
    });
});

for (const [width, height] of [
  [768, 1024],
  [390, 844],
]) {
  test(`usable at ${width} px: nothing runs off the side, card and ladder in sight`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    for (const step of VIEWS) {
      await visit(page, at(step));
      await page.waitForTimeout(200);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide, step).toBeLessThanOrEqual(width);
      await expect(cell(page, 'card')).toBeInViewport();
      const ladder =
        width > 560 ? page.locator('.ladder') : page.getByRole('button', { name: 'Stop ladder' });
      await expect(ladder).toBeInViewport();
    }
  });
}
