import Dexie, { type Transaction } from 'dexie';

/** A version of the database: what is indexed, and how records of the version before become its own. */
export type Migration = {
  readonly version: number;
  readonly stores: Readonly<Record<string, string | null>>;
  readonly upgrade?: (transaction: Transaction) => Promise<void>;
};

// What the set card offered before cameras had lists of their own.
const ANGLES_OF_V1 = [22.5, 45, 90, 144, 150, 172.8, 180, 216, 270, 360];
const TIMES_OF_V1 = [24, 25, 30, 48, 50, 60, 100, 120, 125, 200, 250, 500, 1000, 2000, 4000, 8000];

// What was written into a new database up to version 3.
const ARCHETYPES_OF_V3 = ['wideLog', 'classicLog', 'mildLog', 'cineFlat', 'flat', 'hlg', 'standard'];

/** Numbered and never changed once landed; each has a frozen fixture in fixtures/. */
export const MIGRATIONS: readonly Migration[] = [
  {
    version: 1,
    stores: {
      shoots: 'id, order',
      setups: 'id, shootId, order',
      cameras: 'id',
      profiles: 'id',
      subjects: 'id, shootId',
      plans: 'id, setupId, cameraId',
      takes: 'id, shootId, setupId, loggedAt, [setupId+cameraId]',
      thumbnails: 'id',
    },
  },
  {
    version: 2,
    stores: { ndSets: 'id', lights: 'id', gels: 'id', monitors: 'id' },
    upgrade: async (transaction) => {
      await transaction
        .table('cameras')
        .toCollection()
        .modify((camera: { shutterBy: string; zebra: object }, ref: { value: unknown }) => {
          ref.value = {
            ...camera,
            recordings: [],
            sensitivity: 'gain',
            shutters: camera.shutterBy === 'angle' ? ANGLES_OF_V1 : TIMES_OF_V1,
            meter: { modes: [], scale: 2, bias: 0 },
            tintRange: [-50, 50],
            tintStep: 1,
            waveformReads: 'log',
            zebra: { ...camera.zebra, kinds: ['range', 'lowerLimit'], slots: 2 },
          };
        });
    },
  },
  { version: 3, stores: { luts: 'id', lutTexts: 'id' } },
  {
    version: 4,
    stores: {},
    // Archetypes ship with the app and are no longer stored.
    upgrade: async (transaction) => {
      await transaction.table('profiles').bulkDelete([...ARCHETYPES_OF_V3]);
    },
  },
  {
    version: 5,
    // A shoot's log is read newest first.
    stores: { takes: 'id, shootId, setupId, loggedAt, [setupId+cameraId], [shootId+loggedAt]' },
  },
  {
    version: 6,
    stores: {},
    // What came with the demo is told apart from what its owner brought.
    upgrade: async (transaction) => {
      const { DEMO_OF_V5 } = await Dexie.waitFor(import('./demo/demoOfV5.ts'));
      for (const [table, ids] of Object.entries(DEMO_OF_V5))
        await transaction
          .table(table)
          .where('id')
          .anyOf(ids)
          .modify((record: object, ref: { value: unknown }) => {
            ref.value = { ...record, isDemo: true };
          });
    },
  },
  {
    version: 7,
    // The clips of a shoot, and of one camera.
    stores: { clips: 'id, shootId, [shootId+cameraId]', cameraClocks: 'id, shootId' },
  },
  {
    version: 8,
    // What was marked on the picture of a take, to be found in its clip.
    stores: { takeMarks: 'id, shootId' },
  },
  {
    version: 9,
    // What somebody practised, oldest first.
    stores: { practice: 'id, person, [person+at]' },
  },
  {
    version: 10,
    // What a filmed test told of a camera.
    stores: { cameraTests: 'id, cameraId' },
  },
];
