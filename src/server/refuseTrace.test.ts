import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { refuseTrace } from './refuseTrace.ts';

describe('TRACE', () => {
  let server: Server | undefined;
  let back: (() => void) | undefined;
  afterEach(() => {
    server?.close();
    back?.();
  });
  const answer = (method: string) =>
    new Promise<{ status?: number; allow?: string }>((resolve, reject) => {
      const { port } = server!.address() as AddressInfo;
      request({ port, host: '127.0.0.1', method }, (response) => {
        response.resume();
        resolve({ status: response.statusCode, allow: response.headers.allow });
      })
        .on('error', reject)
        .end();
    });

  it('is refused with what is allowed instead; everything else goes on', async () => {
    back = refuseTrace();
    server = createServer((_, response) => response.end('here'));
    await new Promise<void>((resolve) => server!.listen(0, '127.0.0.1', resolve));
    expect(await answer('TRACE')).toEqual({ status: 405, allow: 'GET, HEAD, POST, DELETE' });
    expect((await answer('GET')).status).toBe(200);
  });
});
