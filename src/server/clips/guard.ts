const HOSTS = new Set(['localhost', '127.0.0.1', '[::1]']);

const hostName = (host: string): string => host.replace(/:\d+$/, '');

/**
 * Whether a request may be served: asked of this machine by name, and by a page of this very server. A browser sends
 * Sec-Fetch-Site or Origin with every request that could do harm; one with neither is no page of ours.
 */
export const mayAsk = (headers: { readonly get: (name: string) => string | null }): boolean => {
  const host = headers.get('host') ?? '';
  if (!HOSTS.has(hostName(host))) return false;
  const origin = headers.get('origin');
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`) return false;
  const site = headers.get('sec-fetch-site');
  if (site !== null) return site === 'same-origin';
  return origin !== null;
};
