// LUTs in a Chromium worker: what building, baking, inspecting, reading and writing take, and the limits of a build.
import { openBenchTab } from './bench-tab.mjs';
import { say } from './ground.mjs';

/** ms that a build of so many points may take. */
const LIMITS = { 33: 50, 65: 300 };

export const benchLuts = async () => {
  const { ask, close } = await openBenchTab();
  const rows = await ask('luts');
  await close();
  say('\nLUTs, Chromium worker, median of 9, ms; every slider of the builds is moved\n');
  for (const { name, ms } of rows) {
    const limit = /^\d+ points to /.test(name) ? LIMITS[Number.parseInt(name, 10)] : undefined;
    if (limit !== undefined && ms > limit) process.exitCode = 1;
    const held =
      limit === undefined ? '' : ms <= limit ? `holds, at most ${limit}` : `MISSED, at most ${limit}`;
    say(`${ms.toFixed(1).padStart(9)}  ${name.padEnd(50)} ${held}`);
  }
};
