// What the doors share: the ground they stand on. Plain Node, nothing installed yet.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { createServer } from 'node:net';

export const say = (text) => process.stdout.write(`${text}\n`);

export const fail = (text) => {
  process.stderr.write(`${text}\n`);
  process.exit(1);
};

const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** Runs a command with its output in sight; ends this process when it fails. */
export const run = (command, args, options = {}) => {
  const done = spawnSync(command, args, { stdio: 'inherit', env, ...options });
  if (done.error) fail(`${command} could not be started: ${done.error.message}`);
  if (done.status !== 0) fail(`${command} ${args.join(' ')} ended with ${done.status ?? done.signal}.`);
};

/** Runs scripts of package.json one after the other and prints what each said; ends this process when one fails. */
export const inTurn = async (scripts) => {
  for (const script of scripts) {
    const child = spawn('npm', ['run', '--silent', script], { stdio: ['ignore', 'pipe', 'pipe'], env });
    // Where another chain fails, this one has nobody to tell.
    const stop = () => child.kill();
    process.once('exit', stop);
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
    const status = await new Promise((resolve) => child.on('close', resolve));
    process.off('exit', stop);
    say(`\n== ${script}\n${Buffer.concat(said).toString().trimEnd()}`);
    if (status !== 0) fail(`npm run ${script} ended with ${status}.`);
  }
};

const quiet = (command, args) => spawnSync(command, args, { stdio: 'ignore', env }).status === 0;

export const has = (command) => quiet('sh', ['-c', `command -v ${command}`]);

/** `npm ci` when node_modules is missing or older than the lockfile. */
export const installPackages = () => {
  const mark = 'node_modules/.package-lock.json';
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
  say('Installing packages (npm ci)…');
  run('npm', ['ci', '--loglevel=error']);
};

let listed = false;

/**
 * Brings commands from Debian's packages when they are missing and this user may install.
 * @returns the packages that are still missing.
 */
export const installDebian = (wanted) => {
  const missing = Object.entries(wanted).filter(([command]) => !has(command));
  if (missing.length === 0) return [];
  const names = missing.map(([, name]) => name);
  const may = has('apt-get') && process.getuid?.() === 0;
  if (!may) return names;
  say(`Installing from Debian: ${names.join(', ')}…`);
  if (!listed) listed = quiet('apt-get', ['update', '-q']);
  quiet('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...names]);
  return missing.filter(([command]) => !has(command)).map(([, name]) => name);
};

export const freePort = (wanted) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(freePort(wanted + 1)));
    probe.listen(wanted, '127.0.0.1', () => probe.close(() => resolve(wanted)));
  });

/** Whether .next holds a production build of these sources. */
export const buildIsFresh = () => {
  const id = '.next/BUILD_ID';
  if (!existsSync(id)) return false;
  const built = statSync(id).mtimeMs;
  const newer = spawnSync(
    'find',
    ['src', 'public', 'package-lock.json', 'next.config.ts', '-newer', id, '-type', 'f'],
    {
      encoding: 'utf8',
    },
  );
  return newer.status === 0 && newer.stdout.trim() === '' && built > 0;
};

const KERNELS = ['public/kernels/scopes.wasm', 'public/kernels/scopes-shared.wasm'];

/** The SIMD kernels compiled from their sources, when those are newer. */
export const buildKernels = () => {
  const sources = 'src/core/kernels/assembly';
  const newest = Math.max(...readdirSync(sources).map((name) => statSync(`${sources}/${name}`).mtimeMs));
  if (KERNELS.every((file) => existsSync(file) && statSync(file).mtimeMs > newest)) return;
  say('Compiling the kernels…');
  run('npm', ['run', '--silent', 'kernels']);
};

export const build = () => {
  buildKernels();
  if (buildIsFresh()) return;
  say('Building…');
  run('npm', ['run', '--silent', 'build']);
};

/** Starts the production server and waits until it answers. */
export const startServer = async (port, { quietly = false } = {}) => {
  const server = spawn(
    'node',
    ['node_modules/next/dist/bin/next', 'start', '--hostname', '127.0.0.1', '-p', String(port)],
    {
      stdio: quietly ? 'ignore' : ['ignore', 'ignore', 'inherit'],
      env,
    },
  );
  const address = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 120; tries += 1) {
    if (server.exitCode !== null) fail(`The server ended with ${server.exitCode}.`);
    const up = await fetch(`${address}/plan`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) return { server, address };
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  server.kill();
  return fail(`The server did not answer at ${address} within 30 s.`);
};

export const nodeIsNew = () => {
  const [major, minor] = process.versions.node.split('.').map(Number);
  const { engines } = JSON.parse(readFileSync('package.json', 'utf8'));
  if (major > 20 || (major === 20 && minor >= 19)) return;
  fail(`Node ${engines.node} is needed; this is ${process.versions.node}.`);
};

/** The middle one of some numbers; of an even count the upper one. */
export const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
