import { ARCHETYPE_IDS, ARCHETYPES } from '#core/profile/index.ts';
import type { ProfileRecord } from './records/profile.ts';
import type { TableName } from './tables.ts';

/**
 * The archetypes as records of the kit; ids are the table's. They are never stored: a corrected or a new one
 * reaches every database with the app.
 */
export const ARCHETYPE_PROFILES: readonly ProfileRecord[] = ARCHETYPE_IDS.map((id) => {
  const { name, says, curve, gamut, clipStops } = ARCHETYPES[id];
  return { id, name, says, origin: 'archetype', data: { curve, gamut, clipStops } };
});

const IDS = new Set(ARCHETYPE_PROFILES.map(({ id }) => id));

/** Whether a record ships with the app. */
export const isBuiltIn = (table: TableName, id: string): boolean => table === 'profiles' && IDS.has(id);

/** What a camera is left with when it has no other profile. */
export const STANDARD_PROFILE = 'standard';
