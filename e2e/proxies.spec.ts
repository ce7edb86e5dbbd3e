// Proxies made by the ffmpeg of this machine: of clips of the shoot, told line by line, stopped.
import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { at, expect, test, visit } from './fixtures.ts';
import { ffmpeg, file } from './clips.ts';

test.describe.configure({ timeout: 180_000 });

/** A clip of one grey with a timecode. */
const clip = (name: string, seconds: number): string => {
  const path = file(`CARD/${name}`);
  mkdirSync(dirname(path), { recursive: true });
  const source = ['-f', 'lavfi', '-i', `color=0x707070:s=320x180:r=25:d=${seconds}`];
  const coding = [
    '-vf',
    'noise=alls=12:allf=t,format=yuv420p10le',
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
  ];
  ffmpeg(...source, ...coding, '-timecode', '09:00:00:00', path);
  return path;
};

test('clips of the shoot are made proxies of here; a stranger is named, a stop ends it', async ({ page }) => {
  const [short, long] = [clip('P0101.mov', 2), clip('P0102.mov', 300)];
  await visit(page, at('log', 'furnace-mouth'));
  await page.getByRole('tab', { name: 'Clips' }).click();
  await page.getByLabel('Folder of clips').setInputFiles(dirname(short));
  for (const name of ['P0101.mov', 'P0102.mov'])
    await expect(page.locator(`tr[data-clip="${name}"]`)).not.toHaveAttribute('data-state', 'waiting', {
      timeout: 90_000,
    });

  await visit(page, at('handoff', 'furnace-mouth'));
  const stranger = file('Z9999.mov');
  ffmpeg('-f', 'lavfi', '-i', 'color=red:s=32x18:d=1', stranger);
  const coming = page.waitForEvent('download', { timeout: 90_000 });
  await page.getByLabel('Clips that proxies are made of').setInputFiles([short, stranger]);
  const proxy = await coming;
  expect(proxy.suggestedFilename()).toBe('P0101.mov');
  const probe = JSON.parse(
    execFileSync(
      'ffprobe',
      ['-v', 'error', '-count_frames', '-show_streams', '-of', 'json', await proxy.path()],
      { encoding: 'utf8' },
    ),
  ).streams[0];
  expect(probe).toMatchObject({ nb_read_frames: '50', color_space: 'bt709', color_range: 'tv' });
  expect(probe.tags.timecode).toBe('09:00:00:00');
  await expect(page.getByText('1 of 1 made. Their LUT is burned in')).toBeVisible();
  await expect(page.getByText(/by name and length: Z9999\.mov/)).toBeVisible();

  await page.getByLabel('Clips that proxies are made of').setInputFiles([long]);
  await expect(page.getByRole('progressbar', { name: 'Proxy of P0102' })).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop the proxies' }).click();
  await expect(page.getByText('It was stopped.')).toBeVisible();
  await expect(page.getByText('0 of 1 made.')).toBeVisible();
});
