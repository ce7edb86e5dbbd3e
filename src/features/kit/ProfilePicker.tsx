'use client';

import { ARCHETYPE_IDS } from '#core/profile/index.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { pickProfile } from './saveProfile.ts';

/** Profiles of the kit: one in use on this camera, and one to compare it with. */
export const ProfilePicker = () => {
  const { selection, records, book, session, bench } = useBench();
  const { camera, plan, profile } = selection;
  const order = (id: string) => (ARCHETYPE_IDS as readonly string[]).indexOf(id);
  const all = [...records.profiles.values()].sort((a, b) => order(a.id) - order(b.id));
  return (
    <div className="profile-chips" role="group" aria-label={`Profile in use on ${camera.name}`}>
      {all.map((one) => (
        <button
          key={one.id}
          type="button"
          className="toggle"
          aria-pressed={one.id === profile.id}
          onClick={() => void book.edit(pickProfile(one, camera, plan, records.plans.has(plan.id)))}
          title={one.says}
        >
          {one.name}
        </button>
      ))}
      <select
        className="form-select form-select-sm compare-with"
        aria-label="Compare with"
        value={bench.compared?.id ?? ''}
        onChange={(event) => {
          const other = records.profiles.get(event.target.value);
          session.setCompared(other && { id: other.id, name: other.name, data: other.data });
        }}
      >
        <option value="">compare with…</option>
        {all
          .filter(({ id }) => id !== profile.id)
          .map(({ id, name }) => (
            <option key={id} value={id}>
              against {name}
            </option>
          ))}
      </select>
    </div>
  );
};
