import type { Said } from './said.ts';

/** What stands on the bundle for post, and in its files. */
export const words = {
  bundle: 'Everything for post',
  bundleSays: 'One .zip for whoever grades, its README first.',
  makeBundle: 'Make the bundle',
  goesIn: 'What goes in',
  wholeShoot: 'Whole shoot',
  circledTakes: 'Circled takes',
  holds: 'Report, recipes in words, CSV, EDLs, CDLs, LUTs for each camera, and the shoot to read back.',
  stopBundle: 'Stop',
  bundling: (file: Said, at: Said, of: Said) => `${file}, ${at} of ${of}`,
  bundled: (name: Said, files: Said, megabytes: Said) => `${name}: ${files} files, ${megabytes} MB.`,
  correctionLost: (clip: Said) =>
    `${clip}: its correction needs its profile, which is not in the kit any more.`,
  cccSays:
    'All accepted corrections in one ASC CDL collection, each by the name of its clip, on code values.',
  ccSays: (clip: Said) => `The correction of ${clip}, ASC CDL on code values, before any LUT.`,
  noTimecode: 'NO TIMECODE IN THE FILE: COUNTED FROM ITS FIRST FRAME',
  variableRate: 'VARIABLE FRAME RATE: TIMES ARE NEAR, NOT EXACT',
  edlSays: (count: Said, name: Said) =>
    `Clips of ${name} one after the other, with their corrections: ${count}.`,
  withoutTimecode: (clips: Said) => `Without a timecode in the file, counted from the first frame: ${clips}.`,
  withVariableRate: (clips: Said) =>
    `With a frame rate that varies, so that list times are near only: ${clips}.`,
  conversionSays: (from: Said) =>
    `${from} to a BT.709 display, nothing pulled: after the exposure is undone.`,
  matchLutSays: (camera: Said, hero: Said) =>
    `The same with ${camera} brought to ${hero} before the conversion.`,
  monitoringSays: (lut: Said) => `What the monitor on set showed: ${lut}. For dailies; off before the grade.`,
  lutOfOther: (lut: Said, made: Said, camera: Said, records: Said) =>
    `The monitor’s LUT ${lut} is made for ${made}; ${camera} records ${records}: it shows another picture.`,
  unknownProfile: 'a profile that is not in the kit',
  gradedSays: (camera: Said, setup: Said) =>
    `The trial grade of ${camera} in ${setup}, conversion and all: a first correction, to begin from.`,
  asRecordedSays: (name: Said) => `${name} as recorded: its codes, spread over 16 bits.`,
  stillSays: (name: Said) => `${name} through the trial grade, conversion and all, 16 bits.`,
  stillsKept: (count: Said) => `Stills that go with it: ${count}.`,
  noStills: 'No still is kept: open a hero, and keep one in the trial grade.',
  dropStill: (name: Said) => `Take the still ${name} out`,
  gradingTime: (time: Said, count: Said, which: Said) =>
    `Correction takes about ${time}: ${count} ${which}, one in full, its sisters a fifth of it. An estimate.`,
  clipsHere: 'clips at hand',
  clipsPlanned: 'clips planned',
  gradeStep: 'Trial grade, where its LUT (luts/graded) is not used instead of steps 2 to 4:',
  trimSays: (clip: Said, stops: Said, mired: Said) =>
    `${clip} alone: exposure ${stops} stops, warmth ${mired} mired`,
  noProxy: (clip: Said) => `No proxy of ${clip}: its profile or its camera is gone.`,
  notBurned: (lut: Said, output: Said) =>
    `${lut} is for a ${output} display: proxies are BT.709 and show the computed picture instead.`,
  burnedTitle: (camera: Said, lut: Said) => `${camera}, burned in: ${lut}`,
  burnedSays: (camera: Said, lut: Said) =>
    `What is burned into proxies of ${camera}: ${lut}, corrected clip by clip.`,
  burnedScale: '0..1 is 0 to 100 % of signal.',
  proxiesOf: (shoot: Said) => `Proxies of ${shoot}`,
  shellSays: 'Makes a proxy of every clip with ffmpeg, in a shell: sh make-proxies.sh, clips, proxies.',
  promptSays: 'The same for a Windows command prompt.',
  computedByCard: 'computed by the card',
  noPull: 'no pull',
  undoPlanned: 'as planned',
  undoFound: 'by the card that was found',
  leftOnPurpose: 'differs on purpose: leave it',
  exposureStep: (stops: Said) =>
    `Exposure before the conversion, in linear light or as an offset in log; ${stops} as planned.`,
  correctedClips: (hero: Said) => `corrected clips, like their hero ${hero}`,
  matchStep: (hero: Said, does: Said) =>
    `Match to ${hero}, before the conversion, where no correction was done: ${does}.`,
  noMatchStep: 'Match: none was kept for this light.',
  clipStep: 'Corrections clip by clip (corrections/), on code values: each brings its clip to the hero.',
  conversionStep: (profile: Said) =>
    `Conversion from ${profile}: luts/conversion, or the same by a colour space tool.`,
  lookStep: 'Looks and trims after the conversion.',
  recipeSays: (setup: Said) => `What to do to ${setup}, step by step, in plain words.`,
  recipeHead: 'In this order. Stops are of light: minus makes darker.',
  takesCsvSays: (count: Said) => `Takes: ${count}, with plan, what was found, what to undo, notes.`,
  clipsCsvSays: (count: Said) => `Clips: ${count}, with file, timecode, take, what was found, correction.`,
  notSurveyed: (clips: Said) => `Not looked at yet, or not readable: ${clips}.`,
  shootJsonSays: 'The shoot as Candelum reads it back (Kit, Back-up, Restore).',
  readmeHead: (shoot: Said) => `${shoot}: for post`,
  readmeOrder: [
    '',
    '1. Import the clips, by the lists in edl/ where you conform by them.',
    '2. Open recipes/ for the set-up: exposure, match and corrections come before the conversion.',
    '3. corrections/ are ASC CDL on code values of the recording (0..1 is code 0 to the top code).',
    '4. luts/conversion go to a BT.709 display by BT.1886. luts/monitoring only show what was seen on set.',
    '5. proxies/ has scripts that make proxies with ffmpeg, monitoring LUT and corrections burned in.',
    '6. Take monitoring LUTs off, and use the clips themselves, before the final grade.',
    '7. report-a4.pdf and report-letter.pdf are one report, for the file or the wall.',
  ],
  readmeLeftOut: 'Left out or uncertain:',
  readmeRange:
    'Scale: LUTs here are on signal, 0..1 is black to white of the legal range (code 64 to 940 of 10 bit).',
  noCorrection: 'no correction was accepted',
  carries: (codes: Said, depth: Said) => `Within ${codes} codes of ${depth} bit from 3 stops under grey up.`,
} as const;
