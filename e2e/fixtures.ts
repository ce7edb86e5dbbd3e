import { chromium, test as base, expect, type Browser, type Page } from '@playwright/test';
import { writePng } from '../src/core/formats/png.ts';
import { encode } from 'fast-png';
import { ARCHETYPES, type ArchetypeId } from '../src/core/profile/index.ts';
import { encodePicture, TEST_PICTURES, type TestPictureId } from '../src/core/fixtures/testPictures.ts';
import type { Coding } from '../src/core/signal/scale.ts';

/** A page that a test asks for because it is not there. */
export const MISSING_PAGE = '/nowhere';
/** Stands in the message of an error that a test makes on purpose. */
export const MEANT = 'meant by the test';
/** Of an address that a test asks for to see that it is refused. */
export const MEANT_PATH = 'meant-by-the-test';

/** Fails the run on any request that leaves this machine, on page errors and on anything the policy blocks. */
export const test = base.extend<{ watched: void; stopsServer: boolean }>({
  /** What the browser says of a server that is not there is no fault. */
  stopsServer: [false, { option: true }],
  watched: [
    async ({ context, stopsServer }, use) => {
      const outside: string[] = [];
      const errors: string[] = [];
      context.on('request', (request) => {
        const { protocol, hostname } = new URL(request.url());
        if (['http:', 'https:', 'ws:', 'wss:'].includes(protocol) && hostname !== '127.0.0.1')
          outside.push(request.url());
      });
      context.on('weberror', (error) => {
        if (!error.error().message.includes(MEANT)) errors.push(error.error().message);
      });
      context.on('console', (message) => {
        const asked =
          message.location().url.endsWith(MISSING_PAGE) ||
          [MEANT, MEANT_PATH].some((words) => message.text().includes(words));
        const isGone = stopsServer && message.text().startsWith('Failed to load resource: net::ERR_');
        // Left while something is stored, without a press since: the browser says that it did not ask.
        const isUnasked = message.text().startsWith("Blocked attempt to show a 'beforeunload'");
        if (message.type() === 'error' && !asked && !isGone && !isUnasked)
          errors.push(`${message.text()} [${message.location().url}]`);
      });
      await use();
      expect(outside, 'requests that leave localhost').toEqual([]);
      expect(errors, 'errors in the page').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** A view of the demo shoot. */
export const at = (step: string, setup = 'bench-interview') =>
  `/${step}?shoot=salt-and-fire&setup=${setup}&camera=a-cam`;
/** What went wrong and is told. */
export const notice = (page: Page) => page.locator('.notice-bad');
/** Closes what is told. */
export const close = async (page: Page) => {
  const button = notice(page).getByRole('button', { name: 'Close' });
  while ((await button.count()) > 0) await button.first().click();
};

export const cell = (page: Page, id: string) => page.locator(`.cell[data-cell="${id}"] .cell-value`);
export const verdict = (page: Page, id: string) => page.locator(`[data-verdict="${id}"]`);

/** Opens a page of the app and waits until its records are there and its step is drawn. */
export const visit = async (page: Page, path: string) => {
  await page.goto(path);
  await page.locator('.set-card').waitFor();
  await page.locator('.work > :not(h1, .notices, .work-foot)').first().waitFor({ state: 'attached' });
  // A new browser shows the demo before it is stored.
  await page.locator('.shell[data-stored="true"]').waitFor();
};

/** Waits until what is shown is stored: what is cut off before that is lost, as the browser would warn. */
export const stored = (page: Page) => page.locator('.shell[data-stored="true"]').waitFor();

/** Loads the page again once all is stored. */
export const reloaded = async (page: Page) => {
  await stored(page);
  await page.reload();
};

/** Sets a picked cell of the card through its editor. */
export const setCell = async (page: Page, id: string, label: string) => {
  await page.locator(`.cell[data-cell="${id}"]`).click();
  await page.locator('.cell-popover select').selectOption({ label });
  await page.keyboard.press('Escape');
  await expect(page.locator('.cell-popover')).toHaveCount(0);
};

/** Turns to a part of a screen by its tab. */
export const openPart = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();

/** Picks one of a few by its word. */
export const pick = (page: Page, word: string) =>
  page.getByRole('radiogroup').getByText(word, { exact: true }).click();

const WIDTH = 480;
const HEIGHT = 270;

/** A frame of known light as a PNG file: what a user would have on disk. */
export const frameFile = (
  picture: TestPictureId,
  options: { placement: number; profile?: ArchetypeId; coding?: Coding; plainCodes?: boolean },
): Buffer => {
  const coding: Coding = options.coding ?? { bitDepth: 10, range: 'legal' };
  const frame = encodePicture(TEST_PICTURES[picture](), {
    width: WIDTH,
    height: HEIGHT,
    profile: ARCHETYPES[options.profile ?? 'wideLog'],
    coding,
    placement: options.placement,
    seed: 21,
    greyElectrons: 900,
  });
  if (!options.plainCodes) return Buffer.from(writePng(frame));
  const data = new Uint16Array(WIDTH * HEIGHT * 3);
  [frame.r, frame.g, frame.b].forEach((plane, c) => plane.forEach((code, i) => (data[3 * i + c] = code)));
  return Buffer.from(encode({ width: WIDTH, height: HEIGHT, data, depth: 16, channels: 3 }));
};

const cardRect = (picture: TestPictureId) => {
  const card = TEST_PICTURES[picture]().patches.find(({ kind }) => kind === 'card');
  if (!card) throw new Error('no card in this picture');
  return card.rect;
};

/** Opens a file by the button and waits until it is on the bench. */
export const openFile = async (page: Page, name: string, buffer: Buffer) => {
  await page.getByLabel('Frame file').setInputFiles({ name, mimeType: 'image/png', buffer });
};

/** Drags a patch over the picture's card, as a user would. */
export const markCard = async (page: Page, picture: TestPictureId) => {
  const box = await page.locator('.patches').boundingBox();
  if (!box) throw new Error('no picture');
  const { x, y, width, height } = cardRect(picture);
  const at = (u: number, v: number) => [box.x + u * box.width, box.y + v * box.height] as const;
  await page.mouse.move(...at(x + width * 0.2, y + height * 0.2));
  await page.mouse.down();
  await page.mouse.move(...at(x + width * 0.5, y + height * 0.5));
  await page.mouse.move(...at(x + width * 0.8, y + height * 0.8));
  await page.mouse.up();
};

/** How many pixels of a canvas are drawn on. */
export const inked = (page: Page, selector: string) =>
  page.locator(selector).evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    let count = 0;
    for (let i = 3; i < data.length; i += 4) if (data[i] > 0) count += 1;
    return count;
  });

/** A number that stands for what a canvas shows. */
export const printOf = (page: Page, selector: string) =>
  page.locator(selector).evaluate((element) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    let hash = 0;
    for (let i = 0; i < data.length; i += 1) hash = (Math.imul(hash, 31) + data[i]) | 0;
    return hash;
  });

/** A browser with devices that are none, and a page of the app in it. */
const openWith = async (...devices: string[]): Promise<{ browser: Browser; page: Page }> => {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--use-fake-ui-for-media-stream',
      ...devices,
    ],
  });
  const { baseURL, viewport, storageState } = test.info().project.use;
  return { browser, page: await browser.newPage({ viewport, baseURL, storageState }) };
};

/** A browser that plays a Y4M file as its camera, 8 bit as Chromium has it. */
export const openWithDevice = (played: string) =>
  openWith('--use-fake-device-for-media-stream', `--use-file-for-fake-video-capture=${played}`);

/** A browser with cameras of its own, 25 pictures a second each: the first and the third give codes. */
export const openWithThreeDevices = () =>
  openWith('--use-fake-device-for-media-stream=device-count=3,fps=25');

type StoredRow = Record<string, unknown> & { id: string };

/** The rows of a table as they are stored. */
export const storedRows = (page: Page, table: string) =>
  page.evaluate(
    (name) =>
      new Promise<StoredRow[]>((resolve) => {
        const open = indexedDB.open('candelum');
        open.onsuccess = () => {
          const all = open.result.transaction(name).objectStore(name).getAll();
          all.onsuccess = () => {
            open.result.close();
            resolve(all.result as StoredRow[]);
          };
        };
      }),
    table,
  );

/** Changes the rows of a table as they are stored, past the app: what is not in the list afterwards is deleted. */
export const changeStored = async (
  page: Page,
  table: string,
  change: (rows: StoredRow[]) => StoredRow[] | void,
) => {
  const rows = await storedRows(page, table);
  await page.evaluate(
    ([name, next]) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('candelum');
        open.onerror = () => reject(open.error ?? new Error('not opened'));
        open.onsuccess = () => {
          const store = open.result.transaction(name, 'readwrite').objectStore(name);
          store.clear();
          next.forEach((row) => store.put(row));
          store.transaction.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    [table, change(rows) ?? rows] as const,
  );
};

/** Deletes what has this name, and says yes to what goes along. */
export const remove = async (page: Page, what: string): Promise<void> => {
  const name = `Delete ${what}`;
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByRole('dialog', { name, exact: true }).getByRole('button', { name: 'Delete' }).click();
};

/** Every screen, and every part of one. */
export const VIEWS = [
  'kit',
  'plan',
  'judge',
  'log',
  'log&part=clips',
  'log&part=clips&clipsAs=sheet',
  'match',
  'match&part=clips',
  'match&part=room',
  'handoff',
  'handoff&part=grade',
  'luts',
  'luts&below=kit',
  'luts&below=file',
  'luts&part=set',
  'luts&part=inspect',
  'luts&part=combine&below=file',
  'luts&part=compare',
  'luts&part=order',
  'kit&part=zebra',
  'kit&part=test',
  'kit&part=bag',
  'kit&part=screens',
  'kit&part=settings',
  'kit&part=shoots',
  'kit&part=new',
  'kit&part=records',
  'kit&figures=readings',
  'kit&figures=matrix',
  'plan&part=figures',
  'plan&part=profile',
  'plan&part=balance',
  'plan&part=lens',
  'plan&part=colours',
  'plan&part=day',
  'plan&part=cameras',
  'plan&part=checklist',
  'practise',
  'practise&part=course',
  'practise&part=drills',
  'practise&tasks=expose-waveform.1.7',
  'practise&tasks=find-fault.1.4',
];
