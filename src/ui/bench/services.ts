import { createStore, type StoreApi } from 'zustand/vanilla';
import { startJudge } from '#workers/judge/client.ts';
import { startLuts } from '#workers/luts/client.ts';
import { openBook, type Book } from '#store/book.ts';
import { Database } from '#store/database.ts';
import { createLutShelf, type LutShelf } from './session/lutShelf.ts';
import { createSession, type Session } from './session/session.ts';
import { hasMarker, markOpened, type Marker } from './marker.ts';
import { createStrip, type Strip } from './strip.ts';

/**
 * What one window has open: its records, its workers, what is on the bench. The same objects as long as the
 * page lives.
 */
export type Services = {
  readonly database: Database;
  readonly book: Book;
  readonly session: Session;
  /** LUT files and what the LUT worker is asked. */
  readonly luts: LutShelf;
  /** The last minute of a feed. */
  readonly strip: Strip;
  /** Records that this browser had and has lost, by the marker outside them; known once the records are open. */
  readonly lost: StoreApi<{ readonly before?: Marker }>;
};

/** Back-ups begin once the screen stands. */
const LATER_MS = 3000;
const keepSafe = (services: Services) =>
  import('./keepSafe.ts').then(({ keepSafe: keep }) => keep(services)).catch(() => undefined);

type OpenServices = { readonly services: Services; readonly close: () => void };

const open = (): OpenServices => {
  const database = new Database(undefined, { isForeseen: !hasMarker() });
  const book = openBook(database);
  const [judge, lutClient] = [startJudge(), startLuts()];
  const luts = createLutShelf(judge, lutClient, database);
  const session = createSession(judge, luts);
  const close = () => {
    session.end();
    lutClient.end();
    // What was asked for is still written.
    void book.close().then(() => database.close());
  };
  const lost = createStore<{ readonly before?: Marker }>(() => ({}));
  const stop = book.subscribe(({ status, isFilling }) => {
    if (status !== 'ready' || isFilling) return;
    stop();
    lost.setState({ before: markOpened(database.isNew, new Date()) });
    void import('./unsentNotes.ts').then(({ sendUnsent }) => sendUnsent(book, database));
    setTimeout(() => void keepSafe(services), LATER_MS);
  });
  const services = { database, book, session, luts, strip: createStrip(), lost };
  return { services, close };
};

// Kept on the window: a hot reload makes this module anew, and the one before must let go of its workers and records.
const KEY = Symbol.for('candelum services');
type Keeper = { [KEY]?: OpenServices };
let own: OpenServices | undefined;

/** Opens what this window needs, once; ends it when the page is left. */
export const openServices = (): Services => {
  if (own) return own.services;
  const keeper = globalThis as Keeper;
  keeper[KEY]?.close();
  const mine = open();
  own = mine;
  keeper[KEY] = mine;
  // A page that is kept for the way back keeps what it has.
  window.addEventListener('pagehide', ({ persisted }) => {
    if (!persisted && keeper[KEY] === mine) mine.close();
  });
  return mine.services;
};

/** Opens them in a browser as soon as this is read. What fails is thrown again when the page asks, and told there. */
export const openEarly = (): void => {
  if (typeof window === 'undefined') return;
  try {
    openServices();
  } catch {
    // As said.
  }
};
