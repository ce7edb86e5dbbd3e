// npm run kernels: the SIMD kernels from AssemblyScript, with plain and with shared memory, into public/kernels.
import { mkdirSync } from 'node:fs';
import asc from 'assemblyscript/asc';
import { fail } from './ground.mjs';

const FORMS = [
  { file: 'scopes.wasm', options: [] },
  {
    file: 'scopes-shared.wasm',
    options: ['--enable', 'threads', '--sharedMemory', '--maximumMemory', '32768', '--initialMemory', '1'],
  },
];

mkdirSync('public/kernels', { recursive: true });
for (const { file, options } of FORMS) {
  const { error, stderr } = await asc.main([
    'src/core/kernels/assembly/index.ts',
    '-o', `public/kernels/${file}`,
    '-O3', '--runtime', 'stub', '--noAssert', '--enable', 'simd', '--importMemory',
    ...options,
  ]); // prettier-ignore
  if (error) fail(`${file}: ${error.message}\n${stderr.toString()}`);
}
