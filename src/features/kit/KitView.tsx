'use client';

import { useMemo } from 'react';
import { ARCHETYPE_IDS, ARCHETYPES } from '#core/profile/index.ts';
import { gamutOf } from '#core/colour/gamut.ts';
import { SCALES } from '#core/signal/scale.ts';
import { printStops } from '#core/units.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { CameraPanel } from './CameraPanel.tsx';
import { readingRows } from './curveModel.ts';
import { ProfileChart } from './ProfileChart.tsx';
import { ProfileMaker } from './ProfileMaker.tsx';
import { SubjectPanel } from './SubjectPanel.tsx';

const others = ARCHETYPE_IDS.map((id) => ({ name: ARCHETYPES[id].name, data: ARCHETYPES[id] }));

const ProfilePicker = () => {
  const { selection, records, book } = useBench();
  const { camera, plan, profile } = selection;
  const order = (id: string) => (ARCHETYPE_IDS as readonly string[]).indexOf(id);
  const all = [...records.profiles.values()].sort((a, b) => order(a.id) - order(b.id));
  const use = (id: string, name: string) =>
    void book.edit({
      label: `Profile ${name}`,
      changes: [
        ...(camera.profileIds.includes(id)
          ? []
          : [
              {
                table: 'cameras' as const,
                id: camera.id,
                before: camera,
                after: { ...camera, profileIds: [...camera.profileIds, id] },
              },
            ]),
        {
          table: 'plans',
          id: plan.id,
          before: records.plans.get(plan.id),
          after: { ...plan, profileId: id },
        },
      ],
    });
  return (
    <div className="profile-chips" role="group" aria-label={`Profile in use on ${camera.name}`}>
      {all.map(({ id, name, says }) => (
        <button
          key={id}
          type="button"
          className="toggle"
          aria-pressed={id === profile.id}
          onClick={() => use(id, name)}
          title={says}
        >
          {name}
        </button>
      ))}
    </div>
  );
};

const Readings = () => {
  const { selection, bench, numbers } = useBench();
  const { coding } = selection.camera;
  const data = bench.draft?.data ?? selection.profile.data;
  const rows = useMemo(() => readingRows(data, coding), [data, coding]);
  const inferred = rows.some(({ doubt }) => doubt !== undefined);
  return (
    <Panel
      title="Reading at every stop"
      note={`${coding.bitDepth}-bit ${coding.range}, ${gamutOf(data.gamut).name}`}
    >
      <table className="figures">
        <thead>
          <tr>
            <th scope="col">Stop</th>
            <th scope="col">{SCALES.signalPercent.name}</th>
            <th scope="col">{SCALES.fullCodePercent.name}</th>
            <th scope="col">Code</th>
            <th scope="col">Codes a stop</th>
            {inferred && <th scope="col">Uncertain ±</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr
              key={row.stops}
              className={row.stops === 0 ? 'taken' : row.stops < numbers.floorStops ? 'dim' : undefined}
            >
              <th scope="row">{printStops(row.stops)}</th>
              <td>{row.percent}</td>
              <td>{row.fullCode}</td>
              <td>{row.code}</td>
              <td>{row.codes}</td>
              {inferred && <td>{row.doubt?.toFixed(2)}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
};

/** Kit: what this camera's profile reads at every stop, from an archetype or from typed numbers. */
export const KitView = () => {
  const { selection, bench } = useBench();
  const name = bench.draft?.name ?? selection.profile.name;
  const data = bench.draft?.data ?? selection.profile.data;
  return (
    <div className="kit">
      <div className="kit-side">
        <Panel
          title={name}
          note={
            bench.draft
              ? 'being solved, not saved'
              : data.band
                ? 'inferred: the band is where it may lie'
                : selection.profile.says
          }
        >
          <ProfilePicker />
          <ProfileChart name={name} data={data} others={others} />
        </Panel>
        <Readings />
      </div>
      <div className="kit-side">
        <ProfileMaker key={`${selection.camera.id} ${selection.profile.id}`} />
        <CameraPanel />
        <SubjectPanel />
      </div>
    </div>
  );
};
