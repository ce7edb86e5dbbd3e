import { Server, type IncomingMessage, type ServerResponse } from 'node:http';

const ALLOWED = 'GET, HEAD, POST, DELETE';

/**
 * Answers TRACE with 405 (RFC 9110, 15.5.6), on every server of this process: the framework makes a request of the
 * web's own kind of it, which may not have that method, and fails with 500.
 * @returns Takes it back.
 */
export const refuseTrace = (): (() => void) => {
  const emit = Server.prototype.emit;
  Server.prototype.emit = function (this: Server, event: string | symbol, ...rest: unknown[]): boolean {
    const [request, response] = rest as [IncomingMessage, ServerResponse];
    if (event !== 'request' || request.method !== 'TRACE')
      return Reflect.apply(emit, this, [event, ...rest]) as boolean;
    response.writeHead(405, { Allow: ALLOWED }).end();
    return true;
  };
  return () => {
    Server.prototype.emit = emit;
  };
};
