'use client';

import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { minutesOf, SHOT_KINDS } from '#core/cameraTest/shotKinds.ts';
import { listText, shotChange, shotName } from '#core/cameraTest/shotWords.ts';
import { SHOT_KIND_IDS } from '#core/cameraTest/types.ts';
import { CardCode } from '#ui/cards/CardCode.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { HaveForm } from './HaveForm.tsx';
import type { CameraTest } from './useTest.ts';

const rulesFor = ({ tripod, light }: CameraTest['state']['have']): readonly string[] => [
  ...words.rules,
  tripod ? words.onTripod : words.noTripod,
  ...(light === 'window' ? [words.byWindow] : []),
];

const secondsWords = (from: number, to: number) =>
  from === to ? from.toFixed(0) : `${from.toFixed(0)}–${to.toFixed(0)}`;

/** The shot list, and beside each shot what was found of it. */
export const ListPanel = ({ test }: { test: CameraTest }) => {
  const { list, state, camera } = test;
  const found = new Map(state.found.flatMap((one) => (one.shotId ? [[one.shotId, one] as const] : [])));
  const names = new Map(state.clips.map(({ id, file }) => [id, file.name]));
  const isFilmed = state.found.length > 0;
  const kinds = SHOT_KIND_IDS.map((kind) => ({ kind, shots: list.filter((shot) => shot.kind === kind) }));
  return (
    <Panel
      title={words.listOf(camera.name)}
      note={words.listNote(list.length, minutesOf(list).toFixed(0))}
      className="test-list"
      tools={
        <>
          <Popup name={words.toPhone} label={words.listAsCode}>
            <CardCode text={listText(camera.name, list, state.have)} label={words.listAsCode} />
            <p className="quiet">{words.codeSays}</p>
          </Popup>
          <Button variant="outline-secondary" size="sm" onClick={() => window.print()}>
            {words.print}
          </Button>
        </>
      }
    >
      <HaveForm test={test} />
      <Folded key={String(isFilmed)} title={words.beforeYouFilm} isOpen={!isFilmed}>
        <ol className="test-rules">
          {rulesFor(state.have).map((rule) => (
            <li key={rule}>{rule}</li>
          ))}
        </ol>
      </Folded>
      <Table size="sm" className="test-shots">
        {kinds
          .filter(({ shots }) => shots.length > 0)
          .map(({ kind, shots }) => (
            <tbody key={kind}>
              <tr className="test-kind">
                <th colSpan={3} scope="rowgroup">
                  {SHOT_KINDS[kind].name} <span className="quiet">{SHOT_KINDS[kind].how}</span>
                </th>
              </tr>
              {shots.map((shot) => {
                const one = found.get(shot.id);
                return (
                  <tr key={shot.id} className={isFilmed && !one ? 'is-missing' : undefined}>
                    <td className="num">{shotName(shot)}</td>
                    <td className="quiet">{shotChange(shot, list[list.indexOf(shot) - 1], state.have)}</td>
                    <td className="num test-found">
                      {one
                        ? words.foundAt(names.get(one.clip) ?? '', secondsWords(one.from, one.to))
                        : isFilmed
                          ? words.notFound
                          : words.heldFor(shot.seconds)}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          ))}
      </Table>
    </Panel>
  );
};
