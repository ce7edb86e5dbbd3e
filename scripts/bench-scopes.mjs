// The scopes of a 1920x1080 10-bit frame, plain, SIMD and SIMD by two threads in a Chromium worker, against ffmpeg's filters in
// one thread on the same frame in paired rounds; then ms of everything else, with ratios of one run.
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { openBenchTab } from './bench-tab.mjs';
import { fail, median, say } from './ground.mjs';

const ROUNDS = 7;
const FRAMES = 40;

/** Time of ffmpeg over FRAMES frames on the clock, as ours is taken, ms a frame. */
const ffmpegOnce = (format, filter) => {
  const args = ['-hide_banner', '-nostdin', '-benchmark', '-threads', '1', '-filter_threads', '1'];
  const input = [
    '-f',
    'rawvideo',
    '-pix_fmt',
    format,
    '-s',
    '1920x1080',
    '-stream_loop',
    String(FRAMES - 1),
    '-i',
    `.bench/${format}.raw`,
  ];
  const done = spawnSync('ffmpeg', [...args, ...input, '-vf', filter, '-threads', '1', '-f', 'null', '-'], {
    encoding: 'utf8',
  });
  const time = /bench: .*rtime=([\d.]+)s/.exec(done.stderr)?.[1];
  if (done.status !== 0 || !time) fail(`ffmpeg ${filter}: ${done.stderr.slice(-400)}`);
  return (1000 * Number(time)) / FRAMES;
};

/** What ffmpeg calls the same work. Its time without a filter, reading and passing on, is taken off. */
const FILTERS = {
  parade: ['gbrp10le', 'waveform=mode=column:display=parade:components=7:intensity=1'],
  'luma waveform': ['yuv444p10le', 'waveform=mode=column:components=1:intensity=1'],
  vectorscope: ['yuv444p10le', 'vectorscope=mode=gray'],
  'histogram, RGB': ['gbrp10le', 'histogram=components=7'],
  'histogram, luma': ['yuv444p10le', 'histogram=components=1'],
  'cube, gbrp10': ['gbrp10le', 'lut3d=.bench/bench.cube:interp=tetrahedral'],
  'cube, gbrp16': ['gbrp16le', 'lut3d=.bench/bench.cube:interp=tetrahedral'],
};
const ffmpegRound = () => {
  const idle = {};
  return Object.fromEntries(
    Object.entries(FILTERS).map(([name, [format, filter]]) => {
      idle[format] ??= ffmpegOnce(format, 'null');
      return [name, ffmpegOnce(format, filter) - idle[format]];
    }),
  );
};

export const benchScopes = async () => {
  const { rawFrames } = await import(new URL('../.bench/frame.mjs', import.meta.url).href);
  for (const [format, bytes] of Object.entries(rawFrames())) writeFileSync(`.bench/${format}.raw`, bytes);
  const cube = ['LUT_3D_SIZE 33'];
  for (let b = 0; b < 33; b += 1)
    for (let g = 0; g < 33; g += 1)
      for (let r = 0; r < 33; r += 1) cube.push([r, g, b].map((v) => ((v / 32) ** 0.5).toFixed(6)).join(' '));
  writeFileSync('.bench/bench.cube', `${cube.join('\n')}\n`);

  const { ask, close } = await openBenchTab();
  const rounds = [];
  for (let n = 0; n < ROUNDS; n += 1) {
    const ours = Object.fromEntries(
      (await ask('scopes')).map(({ form, name, ms }) => [`${form} ${name}`, ms]),
    );
    rounds.push({
      ...ours,
      ...Object.fromEntries(Object.entries(ffmpegRound()).map(([k, v]) => [`ff ${k}`, v])),
    });
  }
  const SUM = ['parade', 'luma waveform', 'vectorscope', 'histogram, RGB', 'histogram, luma', 'cube, gbrp10'];
  for (const round of rounds) round['ff all'] = SUM.reduce((sum, name) => sum + round[`ff ${name}`], 0);

  const ms = (key) => median(rounds.map((round) => round[key]));
  const ratio = (key, to) => median(rounds.map((round) => round[key] / round[to]));
  const version = /version (\S+)/.exec(spawnSync('ffmpeg', ['-version'], { encoding: 'utf8' }).stdout)?.[1];
  say(`1920x1080, 10 bit, counts not pictures; medians of ${ROUNDS} paired rounds, ms a frame.`);
  say(
    `ffmpeg ${version}, one thread, time on the clock less reading and passing on; ` +
      'parade and histogram on gbrp10, luma and vectorscope on yuv444p10.\n',
  );
  say('                         plain    SIMD   two threads  ffmpeg');
  const ROWS = [
    ['luma', undefined],
    ['parade', 'parade'],
    ['luma waveform', 'luma waveform'],
    ['vectorscope', 'vectorscope'],
    ['histogram', undefined],
    ['zebra', undefined],
    ['false colour', undefined],
    ['cube', 'cube, gbrp10'],
    ['all', 'all'],
  ];
  const figure = (v) => v.toFixed(1).padStart(8);
  for (const [name, ff] of ROWS)
    say(
      name.padEnd(22) +
        figure(ms(`plain ${name}`)) +
        figure(ms(`wasm ${name}`)) +
        figure(ms(`pair ${name}`)).padStart(14) +
        (ff ? figure(ms(`ff ${ff}`)) : '       –'),
    );
  say(
    `${'histogram of ffmpeg, RGB and luma'.padEnd(38)}${figure(ms('ff histogram, RGB') + ms('ff histogram, luma'))}`,
  );
  say(`${'cube of ffmpeg on gbrp16'.padEnd(38)}${figure(ms('ff cube, gbrp16'))}\n`);
  const LIMITS = [
    ['everything, two WASM threads, to ffmpeg’s sum', 'pair all', 'ff all', 0.16],
    ['everything, one WASM thread, to ffmpeg’s sum', 'wasm all', 'ff all', 0.3],
    ['cube, to ffmpeg on gbrp10 (its scalar path)', 'wasm cube', 'ff cube, gbrp10', 0.25],
    ['cube, to ffmpeg on gbrp16', 'wasm cube', 'ff cube, gbrp16', 0.4],
    ['everything, plain TypeScript, to ffmpeg’s sum', 'plain all', 'ff all', 0.85],
  ];
  for (const [name, key, to, limit] of LIMITS) {
    const found = ratio(key, to);
    // A limit that does not hold is the run's result, not a remark.
    if (found > limit) process.exitCode = 1;
    say(`${found <= limit ? 'holds ' : 'MISSED'}  ${found.toFixed(3)}  at most ${limit}  ${name}`);
  }

  const rows = await ask('rest');
  await close();
  const plain = rows.find(({ name }) => name.startsWith('plain loop')).ms;
  say('\nThe rest, Chromium worker, plain form, median of 25; ratio to the plain loop of the same run\n');
  for (const { name, ms: time } of rows)
    say(
      `${time.toFixed(time < 1 ? 3 : 1).padStart(9)} ms  ${(time / plain).toFixed(3).padStart(7)}  ${name}`,
    );
};
