'use client';

import { useEffect, useRef } from 'react';
import Button from 'react-bootstrap/Button';
import { judgeFace, levelOf, type Face } from '#core/room/faces.ts';
import type { RoomPatch } from '#core/room/drift.ts';
import { printSigned } from '#core/units.ts';
import { useBench } from '#ui/bench/hooks.ts';
import type { InputOnBench } from '#ui/bench/room/roomState.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/room.ts';
import { facesOf, keepFace, type RoomCamera } from './roomModel.ts';

type Row = Face & { readonly patch?: RoomPatch; readonly isSpeaking: boolean };

const verdictWords = (face: Face, patch: RoomPatch): string => {
  const { says, off } = judgeFace(face, patch);
  if (says === 'well') return words.well;
  if (says === 'clipped') return words.clipped;
  return (says === 'bright' ? words.bright : words.dark)(Math.abs(off).toFixed(2));
};

type Known = { readonly id: string; readonly name: string; readonly skinOffset: number };
/** Faces as the first input that shows them has them. */
const markedFaces = (inputs: readonly (InputOnBench | undefined)[]): readonly RoomPatch[] => {
  const all = inputs.flatMap((input) => input?.patches ?? []).filter(({ kind }) => kind === 'skin');
  return all.filter(({ name }, i) => all.findIndex((one) => one.name === name) === i);
};
const isSpeaking = ({ room }: RoomCamera, faces: readonly Face[], { name }: Face) =>
  name === (room.speaks ?? faces.at(-1)?.name);

/** How whoever speaks now lies, in a sentence; undefined where no face is read. */
export const speakerWords = (
  hero: RoomCamera,
  inputs: readonly (InputOnBench | undefined)[],
  subjects: readonly Known[],
): string | undefined => {
  const marked = markedFaces(inputs);
  const faces = facesOf(hero, marked, subjects);
  const face = faces.find((one) => isSpeaking(hero, faces, one));
  const patch = marked.find(({ name }) => name === face?.name);
  return face && patch ? words.faceNow(face.name, verdictWords(face, patch)) : undefined;
};

/** Who speaks: each face against its own place, the one that is marked now first. */
export const FacesPanel = ({
  hero,
  inputs,
  subjects,
}: {
  hero: RoomCamera;
  inputs: readonly (InputOnBench | undefined)[];
  subjects: readonly Known[];
}) => {
  const { book } = useBench();
  const marked = markedFaces(inputs);
  const faces = facesOf(hero, marked, subjects);
  const keep = (face: Face, isSpeaking?: boolean) =>
    void book.edit(keepFace(hero, face, isSpeaking, words.facesEdit(face.name)));
  // A face that is new keeps the place it was first read at: one drag is all it takes.
  const fresh = faces.find(
    ({ id, name }) =>
      marked.some((patch) => patch.name === name) &&
      !hero.room.faces?.some((face) => face.id === id) &&
      !subjects.some((subject) => subject.id === id),
  );
  const asked = useRef<string>(undefined);
  useEffect(() => {
    if (!fresh || asked.current === fresh.id) return;
    asked.current = fresh.id;
    void book.edit(keepFace(hero, fresh, true, words.facesEdit(fresh.name)));
  }, [book, fresh, hero]);
  const rows = faces
    .map((face): Row => ({
      ...face,
      patch: marked.find(({ name }) => name === face.name),
      isSpeaking: isSpeaking(hero, faces, face),
    }))
    .toSorted((a, b) => Number(b.isSpeaking) - Number(a.isSpeaking));
  const columns: readonly Column<Row>[] = [
    {
      id: 'face',
      header: words.face,
      cell: ({ name, isSpeaking: speaks }) =>
        speaks ? <strong>{`${name}, ${words.speaksNow}`}</strong> : name,
    },
    { id: 'place', header: words.place, className: 'num', cell: ({ offset }) => printSigned(offset, 2) },
    {
      id: 'lies',
      header: words.lies,
      className: 'num',
      cell: ({ patch }) => (patch ? printSigned(levelOf(patch), 2) : ''),
    },
    {
      id: 'verdict',
      header: words.verdict,
      className: 'words',
      cell: ({ patch, isSpeaking: _speaking, ...face }) => (patch ? verdictWords(face, patch) : ''),
    },
    {
      id: 'tools',
      header: <span className="visually-hidden">{words.speaks}</span>,
      cell: ({ patch, isSpeaking: speaks, ...face }) => (
        <span className="panel-tools">
          {!speaks && (
            <Button size="sm" variant="outline-secondary" onClick={() => keep(face, true)}>
              {words.speaks}
            </Button>
          )}
          {patch && (
            <Button
              size="sm"
              variant="outline-secondary"
              aria-label={words.asItIsOf(face.name)}
              onClick={() => keep({ ...face, offset: levelOf(patch) })}
            >
              {words.asItIs}
            </Button>
          )}
        </span>
      ),
    },
  ];
  return (
    <Panel title={words.faces} note={words.facesNote} className="room-wide">
      {rows.length === 0 ? (
        <p className="quiet">{words.noFaces}</p>
      ) : (
        <DataTable
          className="figures words"
          label={words.faces}
          columns={columns}
          rows={rows}
          rowKey={({ id }) => id}
        />
      )}
    </Panel>
  );
};
